<?php

declare(strict_types=1);

namespace App\Errands;

use App\Models\Errand;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\Facades\DB;

/** Errands are asked for here, looked after, and called off. */
final readonly class Errands
{
    /** Days that is told how one ended. */
    private const DAYS = 14;

    public function __construct(private Container $container)
    {
    }

    /**
     * @param  ?StoredInstallation  $for  null: it is to become one
     * @param  array<string, string>  $asked
     */
    public function ask(?StoredInstallation $for, User $by, ErrandKind $kind, array $asked): Errand
    {
        $this->forget();
        $errand = Errand::query()->create([
            'installation_id' => $for?->id,
            'user_id' => $by->id,
            'kind' => $kind,
            'asked' => $asked,
            'state' => ErrandState::Waiting,
            'asked_at' => now(),
        ]);
        RunErrand::dispatch($errand->id);

        return $errand->refresh();
    }

    /** How many are before it that nobody has begun. */
    public function before(Errand $errand): int
    {
        return $errand->state !== ErrandState::Waiting
            ? 0
            : Errand::query()
                ->where('state', ErrandState::Waiting)
                ->where('turn', '<', $errand->turn)
                ->count();
    }

    /** What nobody has begun ends at once; what is under way, where it tells next how far it is. */
    public function callOff(Errand $errand): void
    {
        DB::table('errands')->where('id', $errand->id)->update(['is_called_off' => true]);
        $waiting = DB::table('errands')->where('id', $errand->id)->where('state', ErrandState::Waiting->value);
        if ($waiting->update(['state' => ErrandState::CalledOff->value, 'ended_at' => now()]) === 1) {
            $this->container->make($errand->kind->doing())->over($errand);
        }
    }

    private function forget(): void
    {
        DB::table('errands')->where('ended_at', '<', now()->subDays(self::DAYS))->delete();
    }
}
