<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Work\Bench\TimeBook;

/** What the crew's own record says about how long things take. */
final readonly class Times
{
    /** Confirmations after which it is looked at again. */
    private const EVERY = 20;

    public function __construct(private Jobs $jobs)
    {
    }

    /** By an installation as it was read already. */
    public function by(Loaded $decided): TimeBook
    {
        $this->jobs->know($decided);

        return $this->of($decided->stored);
    }

    public function of(StoredInstallation $stored): TimeBook
    {
        $timed = $stored->events()->toBase()->reorder()->where('step', '<>', '')->whereNotNull('definition->took');
        $count = $timed->count();
        if ($count === 0) {
            return new TimeBook();
        }
        $key = sprintf(
            'times.%s.%s.%s.%d',
            CodeEdition::id(),
            $stored->mark(),
            $stored->edition(),
            $count < self::EVERY ? $count : intdiv($count, self::EVERY) * self::EVERY,
        );

        /** @var array<int|string, list<float>> $measured */
        $measured = Cache::store('file')->remember($key, 24 * 3600, fn (): array => $this->measure($stored));

        return new TimeBook($measured);
    }

    /** @return array<int|string, list<float>> */
    private function measure(StoredInstallation $stored): array
    {
        $byRun = [];
        foreach (
            $stored
                ->events()
                ->toBase()
                ->where('step', '<>', '')
                ->whereNotNull('definition->took')
                ->get(['run', 'step', 'definition->took as took']) as $row
        ) {
            $byRun[(string) $row->run][] = [(string) $row->step, (float) $row->took];
        }
        $measured = [];
        $assemblyOf = $this->jobs->loaded($stored)->plan()->assemblyOf;
        foreach ($byRun as $run => $rows) {
            $job = isset($assemblyOf[$run]) ? $this->jobs->of($stored, [$assemblyOf[$run]]) : null;
            foreach ($rows as [$step, $seconds]) {
                $operation = $job?->operation($step);
                if ($operation !== null && $seconds > 0.0) {
                    $measured[$operation->pace->value][] = $seconds / 60 / $operation->amount;
                }
            }
        }

        return $measured;
    }
}
