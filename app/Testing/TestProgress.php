<?php

declare(strict_types=1);

namespace App\Testing;

use App\Bench\CodeEdition;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\MadeOnce;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;

/**
 * How far testing is, by loom and by place. Kept until something is recorded or decided, so that many may ask often.
 *
 * @phpstan-type Tally array{id: string, name: string, passed: int, failed: int, left: int}
 * @phpstan-type TestTallies array{
 *     all: Tally,
 *     looms: list<Tally>,
 *     places: list<Tally>,
 *     cursor: string,
 * }
 * @phpstan-type Tallies array{
 *     all: Tally,
 *     looms: list<Tally>,
 *     places: list<Tally>,
 * }
 */
final readonly class TestProgress
{
    public function __construct(private InstallationStore $store)
    {
    }

    /** @return TestTallies */
    public function of(StoredInstallation $stored): array
    {
        $cursor = sprintf(
            '%s.%s',
            $stored->edition(),
            $stored->events()->toBase()->reorder()->orderByDesc('id')->value('uuid'),
        );

        return MadeOnce::of(
            'test-progress.'.$stored->mark(),
            CodeEdition::id().'.'.$cursor,
            fn (): array => ['cursor' => $cursor] + self::count($this->store->atWork($stored)),
        );
    }

    /** @return Tallies */
    private static function count(Loaded $loaded): array
    {
        $in = $loaded->installation;
        $looms = $places = [];
        $all = ['id' => '', 'name' => 'All', 'passed' => 0, 'failed' => 0, 'left' => 0];
        foreach ($in->runs() as $run) {
            if ($run->withdrawn) {
                continue;
            }
            $what = self::standing($loaded->plan()->strands[$run->id]);
            $all[$what]++;
            if ($run->loom !== null) {
                $looms[$run->loom] ??= [
                    'id' => $run->loom,
                    'name' => $in->looms()[$run->loom]->name ?? $run->loom,
                    'passed' => 0,
                    'failed' => 0,
                    'left' => 0,
                ];
                $looms[$run->loom][$what]++;
            }
            foreach (
                array_unique(array_map(static fn (Side $side): string => $run->end($side)->location, Side::cases())) as $place
            ) {
                $places[$place] ??= [
                    'id' => $place,
                    'name' => $in->locationName($place),
                    'passed' => 0,
                    'failed' => 0,
                    'left' => 0,
                ];
                $places[$place][$what]++;
            }
        }

        return ['all' => $all, 'looms' => array_values($looms), 'places' => array_values($places)];
    }

    /**
     * @param  list<Bead>  $strand
     * @return 'passed'|'failed'|'left'
     */
    private static function standing(array $strand): string
    {
        foreach ($strand as $bead) {
            if ($bead->stage === Stage::Test) {
                return match ($bead->state) {
                    BeadState::Done => 'passed',
                    BeadState::Failed => 'failed',
                    default => 'left',
                };
            }
        }

        return 'left';
    }
}
