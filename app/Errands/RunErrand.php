<?php

declare(strict_types=1);

namespace App\Errands;

use App\Models\Errand;
use App\Planning\Uncollected;
use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problem;
use Throwable;

/** An errand, as a worker takes it from the queue. Once: what broke off is asked for again by whoever wants it. */
final class RunErrand implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    /** s */
    public int $timeout = 3_600;

    public bool $failOnTimeout = true;

    public function __construct(public readonly string $errand)
    {
        $this->onQueue('errands');
    }

    public function handle(Container $container): void
    {
        if (! $this->move([ErrandState::Waiting], ErrandState::UnderWay, ['begun_at' => now()])) {
            return;
        }
        $errand = Errand::query()->with('user')->findOrFail($this->errand);
        try {
            $doing = $container->make($errand->kind->doing());
            $result = Uncollected::run(static fn (): array => $doing->do($errand, new Progress($errand)));
            $this->ends(ErrandState::Done, ['result' => json_encode($result, JSON_THROW_ON_ERROR)]);
        } catch (CalledOff) {
            $this->ends(ErrandState::CalledOff);
        } catch (CannotBeDone $reason) {
            $this->ends(ErrandState::Failed, ['problem' => $reason->getMessage()]);
        } catch (InvalidDocument $invalid) {
            $this->ends(ErrandState::Failed, [
                'problem' => $invalid->getMessage(),
                'problems' => json_encode(
                    array_map(static fn (Problem $each): array => $each->told(), $invalid->problems),
                    JSON_THROW_ON_ERROR,
                ),
                'more' => $invalid->more,
            ]);
        } catch (Throwable $failed) {
            Log::error($failed);
            $this->ends(ErrandState::Failed, ['problem' => sprintf(
                'The %s: %s. Nothing was kept of it; the log says more.',
                $errand->kind->failed(),
                class_basename($failed),
            )]);
        } finally {
            $container->make($errand->kind->doing())->over($errand);
        }
    }

    /** Where the worker itself went: it took too long, or somebody ended it. */
    public function failed(): void
    {
        $this->ends(ErrandState::Failed, ['problem' => 'It broke off before it was done. Ask for it once more.']);
    }

    /** @param  array{result?: string, problem?: string, problems?: string, more?: int}  $more */
    private function ends(ErrandState $as, array $more = []): void
    {
        $more['ended_at'] = now();
        $this->move([ErrandState::Waiting, ErrandState::UnderWay], $as, $more);
    }

    /**
     * @param  list<ErrandState>  $from
     * @param  array<string, mixed>  $more
     */
    private function move(array $from, ErrandState $to, array $more): bool
    {
        return DB::table('errands')
            ->where('id', $this->errand)
            ->whereIn('state', array_column($from, 'value'))
            ->update(['state' => $to->value] + $more) === 1;
    }
}
