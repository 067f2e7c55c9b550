<?php

declare(strict_types=1);

namespace App\Testing;

use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\MadeOnce;
use Sartal\Core\Given\Installation\Side;
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
final class TestProgress
{
    private ?Loaded $loaded = null;

    public function __construct(private readonly InstallationStore $store)
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
            $stored,
            'progress of testing',
            Kept::state('progress of testing', $cursor),
            fn (): array => ['cursor' => $cursor] + $this->count($stored),
        );
    }

    /** @return Tallies */
    private function count(StoredInstallation $stored): array
    {
        $standings = KeptStandings::atWork($stored, fn (): Loaded => $this->loaded($stored));
        $groups = Kept::once(
            $stored,
            'testing in groups',
            Kept::state($stored->edition()),
            fn (): array => self::groups($this->loaded($stored)),
        );
        $looms = $places = [];
        $all = ['id' => '', 'name' => 'All', 'passed' => 0, 'failed' => 0, 'left' => 0];
        $runs = $standings->runs();
        foreach ($groups as $id => $of) {
            $what = match (isset($runs[$id]) ? $runs[$id]->at(Stage::Test) : null) {
                BeadState::Done => 'passed',
                BeadState::Failed => 'failed',
                default => 'left',
            };
            $all[$what]++;
            foreach ($of['looms'] as $loom => $name) {
                $looms[$loom] ??= self::tally((string) $loom, $name);
                $looms[$loom][$what]++;
            }
            foreach ($of['places'] as $place => $name) {
                $places[$place] ??= self::tally((string) $place, $name);
                $places[$place][$what]++;
            }
        }

        return ['all' => $all, 'looms' => array_values($looms), 'places' => array_values($places)];
    }

    /**
     * To what each run belongs that is to be tested; names by ids.
     *
     * @return array<int|string, array{looms: array<int|string, string>, places: array<int|string, string>}> by run
     */
    private static function groups(Loaded $loaded): array
    {
        $in = $loaded->installation;
        $groups = [];
        foreach ($in->runs() as $run) {
            if ($run->withdrawn) {
                continue;
            }
            $places = [];
            foreach (Side::cases() as $side) {
                $places[$run->end($side)->location] = $in->locationName($run->end($side)->location);
            }
            $groups[$run->id] = [
                'looms' => $run->loom === null ? [] : [$run->loom => $in->looms()[$run->loom]->name ?? $run->loom],
                'places' => $places,
            ];
        }

        return $groups;
    }

    /** @return Tally */
    private static function tally(string $id, string $name): array
    {
        return ['id' => $id, 'name' => $name, 'passed' => 0, 'failed' => 0, 'left' => 0];
    }

    private function loaded(StoredInstallation $stored): Loaded
    {
        return $this->loaded ??= $this->store->atWork($stored);
    }
}
