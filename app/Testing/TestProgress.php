<?php

declare(strict_types=1);

namespace App\Testing;

use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\KeptOfRuns;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\MadeOnce;
use App\Planning\Near;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;

/**
 * How far testing is, by loom and by place. Kept until something is recorded or decided, so that many may ask often.
 *
 * @phpstan-type Group array{looms: array<int|string, string>, places: array<int|string, string>}
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

    public function __construct(private readonly InstallationStore $store, private readonly Near $near)
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
        /** @var KeptOfRuns<Group> $kept */
        $kept = new KeptOfRuns(
            $stored,
            'testing in groups',
            static fn (string $at): string => Kept::state($stored->release_id === null ? $at : $stored->edition()),
        );
        $groups = $kept->of(
            fn (): array => self::groups($this->loaded($stored)),
            fn (array $runs): array => self::groups($this->near->runs($stored, $runs), $runs),
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
     * @param  ?list<string>  $of  runs; null: all of them
     * @return array<int|string, Group> by run
     */
    private static function groups(Loaded $loaded, ?array $of = null): array
    {
        $in = $loaded->installation;
        $groups = [];
        foreach ($of === null ? $in->runs() : array_intersect_key($in->runs(), array_flip($of)) as $run) {
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
