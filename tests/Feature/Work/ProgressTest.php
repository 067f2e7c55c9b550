<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Changes\Intent;
use App\Planning\Recorded;
use Illuminate\Support\Str;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\TestCase;

/** How far it has come, in pictures: each of their figures, counted another way. */
final class ProgressTest extends TestCase
{
    /** @return array<string, mixed> */
    private function page(): array
    {
        return $this->as('lead')->getJson('/api/progress')->assertOk()->json();
    }

    /**
     * From the schedule's rows, one by one.
     *
     * @param  callable(array<string, mixed>): list<string>  $names
     * @return array<string, array<string, array<string, int>>> group → stage → state → runs
     */
    private function counted(callable $names): array
    {
        $counts = [];
        foreach ($this->as('lead')->getJson('/api/schedule')->json('rows') as $row) {
            foreach ($row['withdrawn'] ? [] : array_unique($names($row)) as $name) {
                foreach ($row['strand'] as $bead) {
                    $states = &$counts[$name][$bead['stage']];
                    $states[$bead['state']] = ($states[$bead['state']] ?? 0) + 1;
                    unset($states);
                }
            }
        }

        return $counts;
    }

    private function agrees(): void
    {
        $groups = $this->page()['groups'];
        foreach (
            [
                'loom' => static fn (array $row): array => [$row['loom']],
                'place' => static fn (array $row): array => [$row['from'], $row['to']],
                'cable' => static fn (array $row): array => [$row['cable']],
            ] as $by => $names
        ) {
            $counted = $this->counted($names);
            self::assertEqualsCanonicalizing(array_keys($counted), array_column($groups[$by], 'name'), $by);
            foreach ($groups[$by] as $group) {
                foreach ($group['stages'] as $stage => $of) {
                    $states = $counted[$group['name']][$stage];
                    $what = "$by {$group['name']}, $stage";
                    self::assertSame(array_sum($states), $of['of'], $what);
                    self::assertSame($states['done'] ?? 0, $of['done'], $what);
                    self::assertSame($states['failed'] ?? 0, $of['failed'], $what);
                    self::assertSame($states['overtaken'] ?? 0, $of['overtaken'], $what);
                }
                self::assertCount(count($counted[$group['name']]), $group['stages']);
            }
        }
    }

    public function test_groups_count_what_the_schedule_shows_whatever_is_decided_and_recorded(): void
    {
        $this->agrees();
        $this->as('bench')->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'cut',
            'run' => 'A-121',
            'at' => now('UTC')->format('Y-m-d\TH:i:s\Z'),
            'cut' => ['length' => '90 m'],
        ])->assertCreated();
        $this->agrees();
        $this->as('planner')->withHeader(Intent::HEADER, Intent::Accept->value);
        $run = $this->installation->runs()->where('key', 'A-121')->firstOrFail();
        $this->deleteJson('/api/runs/A-121', ['version' => $run->version])
            ->assertOk()
            ->assertJsonPath('withdrawn', true);
        $this->agrees();
        $run = $this->installation->runs()->where('key', 'A-119')->firstOrFail();
        $this->patchJson('/api/runs/A-119', ['version' => $run->version, 'line' => ['loom' => '']])->assertOk();
        $this->agrees();
    }

    /** @return list<string> ids of the runs behind a figure */
    private function behind(string $asked): array
    {
        return array_column($this->as('lead')->getJson('/api/progress/runs?'.$asked)->assertOk()->json('runs'), 'id');
    }

    public function test_first_tests_and_hands_are_those_of_the_record_and_lead_to_their_runs(): void
    {
        $first = $hands = [];
        foreach (Recorded::whole($this->installation)->events() as $event) {
            $stage = match ($event->step === '' ? $event->kind : null) {
                EventKind::Labelled => 'label',
                // Joined and made again by the same hands is one run all the same.
                EventKind::Joined, EventKind::Remade => $event->side === Side::A ? 'end-a' : 'end-b',
                EventKind::Cut => 'cut',
                EventKind::Inspected => 'look',
                EventKind::Pulled => 'pull',
                EventKind::Tested => 'test',
                EventKind::Installed => 'in-place',
                EventKind::SignedOff => 'signed',
                default => null,
            };
            if ($stage !== null) {
                $hands[$event->by][$stage][$event->run] = $event->run;
            }
            if ($event->kind === EventKind::Tested && $event->verdict() !== Verdict::Incomplete) {
                $first[$event->stage()->value][$event->run] ??= $event->verdict();
            }
        }
        $page = $this->page();
        self::assertEqualsCanonicalizing(array_keys($first), array_column($page['tests'], 'stage'));
        foreach ($page['tests'] as $test) {
            $failed = array_keys($first[$test['stage']], Verdict::Fails, true);
            self::assertSame(count($first[$test['stage']]), $test['of']);
            self::assertSame($test['of'] - count($failed), $test['passed']);
            self::assertEqualsCanonicalizing($failed, $this->behind('of=first-tests&stage='.$test['stage']));
        }
        self::assertNotContains(0, array_column($page['tests'], 'of'));
        self::assertEqualsCanonicalizing(array_keys($hands), array_column($page['people'], 'id'));
        foreach ($page['people'] as $person) {
            $of = $hands[$person['id']];
            self::assertCount($person['runs'], array_replace(...array_values($of)));
            self::assertEqualsCanonicalizing(array_map(count(...), $of), $person['stages']);
            foreach ($of as $stage => $runs) {
                $behind = $this->behind('of=hands&person='.$person['id'].'&stage='.$stage);
                self::assertEqualsCanonicalizing(array_values($runs), $behind);
            }
        }
        $this->as('lead')->getJson('/api/progress/runs?of=hands&stage=lunch')->assertUnprocessable();
        $this->getJson('/api/progress/runs?of=everything&stage=cut')->assertUnprocessable();
    }

    public function test_made_and_failed_are_counted_by_run(): void
    {
        $made = $failed = 0;
        foreach ($this->as('lead')->getJson('/api/schedule')->json('rows') as $row) {
            $at = array_column($row['strand'], 'state', 'stage');
            $ends = [$at['end-a'] ?? 'done', $at['end-b'] ?? 'done'];
            $made += (int) (! $row['withdrawn'] && $ends === ['done', 'done']);
            $failed += (int) (! $row['withdrawn'] && in_array('failed', $at, true));
        }
        $page = $this->page();
        self::assertSame([$made, $failed], [$page['made'], $page['failed']]);
        self::assertGreaterThan(0, $made * $failed);
    }

    public function test_hours_fall_by_what_is_done_and_what_it_took_stands_beside_what_was_planned(): void
    {
        $before = $this->page()['hours'];
        $job = $this->as('bench')->getJson('/api/bench/A-119')->json();
        $piece = null;
        foreach ($job['job']['steps'] as $step) {
            foreach ($step['pieces'] as $each) {
                $status = $job['state']['standings'][$each['id']]['status'] ?? 'to-do';
                $piece ??= $status === 'to-do' && $step['event'] !== 'cut' ? [$step['event'], $each] : null;
            }
        }
        self::assertNotNull($piece, 'something of it is left');
        $this->travelTo('2026-11-02 09:00:00');
        $this->postJson('/api/bench/A-119/events', [
            'id' => Str::uuid()->toString(),
            'kind' => $piece[0],
            'run' => $piece[1]['run'],
            'step' => $piece[1]['id'],
            'took' => 240,
            'at' => '2026-11-02T09:00:00Z',
        ])->assertCreated();
        $after = $this->page()['hours'];
        self::assertLessThan($before['left']['value'], $after['left']['value']);
        $days = array_column($after['days'], null, 'day');
        self::assertArrayHasKey('2026-11-02', $days);
        self::assertEqualsWithDelta($after['left']['value'], $days['2026-11-02']['left'], 0.006);
        self::assertEqualsWithDelta(
            $before['left']['value'] - $after['left']['value'],
            $days['2026-11-02']['done'],
            0.006,
            'what is left falls by what is done',
        );
        $sum = static fn (array $of): float => array_sum(array_column($of['kinds'], 'took'));
        self::assertEqualsWithDelta($sum($before) + 4.0, $sum($after), 0.1, 'four minutes');
        self::assertEqualsWithDelta($sum($after) / 60, $after['took']['value'], 0.01);
    }

    public function test_cable_is_cut_as_far_as_runs_are_that_want_it(): void
    {
        $wanted = $cut = [];
        foreach ($this->as('lead')->getJson('/api/schedule')->json('rows') as $row) {
            $at = array_column($row['strand'], 'state', 'stage')['cut'] ?? null;
            if ($at !== null && ! $row['withdrawn']) {
                $metres = (float) $row['cut'] / 1000;
                $wanted[$row['cable']] = ($wanted[$row['cable']] ?? 0.0) + $metres;
                $cut[$row['cable']] = ($cut[$row['cable']] ?? 0.0) + ($at === 'to-do' ? 0.0 : $metres);
            }
        }
        $cables = $this->page()['cables'];
        self::assertEqualsCanonicalizing(array_keys($wanted), array_column($cables, 'cable'));
        foreach ($cables as $each) {
            self::assertEqualsWithDelta($wanted[$each['cable']], $each['wanted'], 0.051);
            self::assertEqualsWithDelta($cut[$each['cable']], $each['cut'], 0.051);
        }
    }

    public function test_what_is_missing_says_in_which_loom(): void
    {
        $looms = collect($this->as('lead')->getJson('/api/schedule')->json('rows'))->pluck('loom', 'id');
        $named = 0;
        foreach ($this->getJson('/api/handover')->assertOk()->json('groups') as $group) {
            foreach ($group['gaps'] as $gap) {
                self::assertSame($looms[$gap['run']] ?? null, $gap['loom'], $gap['code']);
                $named += (int) ($gap['loom'] !== null && $gap['loom'] !== '');
            }
        }
        self::assertGreaterThan(10, $named);
    }

    public function test_the_day_that_is_wanted_is_said_with_the_workshop(): void
    {
        $crew = $this->as('lead')->getJson('/api/crew')->json();
        $save = fn (string $day) => $this->putJson('/api/workshop', [
            'workshop' => ['wanted' => $day] + $crew['workshop'],
            'version' => $crew['version'],
        ]);
        $save('2027-02-29')->assertUnprocessable();
        $save('2027-02-26')->assertOk();
        self::assertSame('2027-02-26', $this->page()['wanted']);
    }
}
