<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Models\Change;
use App\Planning\InstallationStore;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\FileEncoder;
use Tests\Support\Share;
use Tests\TestCase;

/** An assembly's own page: what hands do to it, looked at first, made, taken back. */
final class AssemblyTest extends TestCase
{
    /** @return array<string, mixed> */
    private function page(string $run): array
    {
        return $this->as('planner')->getJson('/api/assemblies/'.$run)->assertOk()->json();
    }

    private function added(array $line): string
    {
        return $this->as('planner')->postJson('/api/runs', ['line' => self::line($line)])->assertCreated()->json('id');
    }

    /**
     * @param  array<string, mixed>  $page
     * @return list<array{id: string, version: int}>
     */
    private static function seen(array $page): array
    {
        return array_map(
            static fn (array $each): array => ['id' => $each['id'], 'version' => $each['version']],
            [...$page['runs'], ...$page['fittings']],
        );
    }

    /**
     * @param  array<string, mixed>  $page
     * @return array<string, list<string>> core → places
     */
    private static function netlist(array $page, string $run, int $side): array
    {
        $list = [];
        foreach (collect($page['runs'])->firstWhere('id', $run)['ends'][$side]['elements'] as $element) {
            foreach ($element['cores'] as $core) {
                $list[$core['path']] = $core['to'];
            }
        }

        return $list;
    }

    /** @return array<string, string> what is decided of runs and what joins them; types that are pinned stay so */
    private function snapshot(): array
    {
        $all = FileEncoder::installation((new InstallationStore())->load($this->installation->refresh())->installation);
        $found = [];
        foreach (['runs', 'fittings', 'circuits', 'matings', 'links', 'switches', 'splices'] as $kind) {
            foreach ($all[$kind] as $i => $each) {
                $found[$kind.' '.($each['id'] ?? $i)] = (string) json_encode($each);
            }
        }
        ksort($found);

        return $found;
    }

    public function test_three_multicores_come_to_one_connector_and_apart_again(): void
    {
        $multicore = ['cable' => 'multicore-8', 'plans_a' => 'xlr3-female-cable-balanced'];
        $first = $this->added(['code' => 'M-910', 'plans_b' => 'rect90-male-24ch'] + $multicore);
        $others = [
            $this->added(['code' => 'M-911', 'plans_b' => ''] + $multicore),
            $this->added(['code' => 'M-912', 'plans_b' => ''] + $multicore),
        ];
        $before = $this->snapshot();
        $page = $this->page($first);
        self::assertSame(['M-910'], array_column($page['runs'], 'code'));
        self::assertSame(['contacts' => 48, 'legs' => 9, 'unused' => 0], $page['sums']);
        $seen = [...self::seen($page), ...self::seen($this->page($others[0])), ...self::seen($this->page($others[1]))];
        $gesture = [
            'kind' => 'line',
            'line' => "M-911 B: 1-8 > M-910 B: 9-16\nM-912 B: 1-8 > M-910 B: C13-D18",
            'seen' => $seen,
        ];
        $looked = $this->as('planner')->postJson("/api/assemblies/$first/try", $gesture)->assertOk()->json();
        self::assertCount(16, $looked['cores']);
        self::assertSame(
            ['end' => 'M-912 B', 'core' => 'pair 8', 'was' => '', 'becomes' => 'M-910 B D16 D17 D18'],
            $looked['cores'][15],
        );
        self::assertSame($before, $this->snapshot());

        $made = $this->as('planner')->postJson("/api/assemblies/$first/gestures", $gesture)->assertOk()->json();
        self::assertSame(['M-910', 'M-911', 'M-912'], array_column($made['page']['runs'], 'code'));
        // Worked out from the numbers of the pairs: six channels to a column, three contacts each.
        $expected = [];
        foreach (range(17, 24) as $i => $channel) {
            foreach (['a', 'b', 'drain'] as $n => $core) {
                $at = ($channel - 1) % 6 * 3 + $n + 1;
                $column = 'ABCD'[intdiv($channel - 1, 6)];
                $expected['p'.($i + 1).'/'.$core] = [$page['fittings'][8]['id'].'/'.$column.$at];
            }
        }
        self::assertSame($expected, self::netlist($made['page'], $others[1], 1));
        self::assertSame($made['page'], $this->page($others[1]));
        $this->as('planner')->postJson('/api/changes/'.$made['change'].'/undo')->assertSuccessful();
        self::assertSame($before, $this->snapshot());
    }

    public function test_what_cannot_be_is_refused_with_every_line(): void
    {
        $run = $this->added(['code' => 'M-913', 'cable' => 'multicore-8', 'plans_b' => 'rect90-male-24ch']);
        $page = $this->page($run);
        $fitting = last($page['fittings'])['id'];
        $before = $this->snapshot();
        $table = ['kind' => 'line', 'run' => $run, 'side' => 'B', 'fitting' => $fitting, 'seen' => self::seen($page)];
        $this->as('planner')
            ->postJson("/api/assemblies/$run/gestures", $table + ['line' => "1\tA1-A3\n9\tA4-A6\n2\tQ1-Q3"])
            ->assertUnprocessable()
            ->assertJsonCount(2, 'errors.line');
        $this->as('planner')
            ->postJson(
                "/api/assemblies/$run/gestures",
                ['kind' => 'shape', 'legs' => ['leg-1'], 'length' => 'long'] + $table,
            )
            ->assertUnprocessable()
            ->assertJsonValidationErrors('length');
        // Nobody reaches into another installation.
        self::bare('elsewhere', 'Elsewhere');
        $this->as('planner')
            ->postJson("/api/assemblies/$run/gestures", [
                'kind' => 'join',
                'elements' => ['p1/a'],
                'to' => 'another-installations/1',
                'reason' => 'why',
            ] + $table)
            ->assertUnprocessable()
            ->assertJsonValidationErrors('fitting');
        $this->as('planner')->postJson('/api/assemblies/none/try', $table)->assertNotFound();
        self::assertSame($before, $this->snapshot());
    }

    public function test_who_comes_late_changes_nothing_and_a_repeated_press_is_made_once(): void
    {
        $run = $this->added(['code' => 'M-914', 'cable' => 'multicore-8', 'plans_b' => 'rect90-male-24ch']);
        $page = $this->page($run);
        $free = ['kind' => 'free', 'run' => $run, 'side' => 'B', 'elements' => ['p8'], 'seen' => self::seen($page)];
        $this->as('planner')->postJson("/api/assemblies/$run/gestures", $free)->assertOk();
        $after = $this->snapshot();
        $changes = Change::query()->count();
        $this->as('lead')->postJson("/api/assemblies/$run/gestures", ['elements' => ['p7']] + $free)->assertConflict();
        // The same press once more finds everything so already.
        $this->as('planner')
            ->postJson("/api/assemblies/$run/gestures", $free)
            ->assertOk()
            ->assertJsonPath('change', null);
        self::assertSame($after, $this->snapshot());
        self::assertSame($changes, Change::query()->count());
        $this->as('tester')->postJson("/api/assemblies/$run/gestures", $free)->assertForbidden();
    }

    public function test_whoever_compares_a_connector_with_what_it_mates_with_is_named_until_it_changes(): void
    {
        $facing = fn (): array => collect($this->page('M-201')['fittings'])->firstWhere('label', 'M-201 B')['facing'];
        $before = $facing();
        self::assertNull($before['checked']);
        self::assertCount(72, $before['pairs']);
        $sent = ['fitting' => 'M-201.b1', 'print' => $before['print']];
        $this->as('tester')->putJson('/api/assemblies/M-201/checked', $sent)->assertForbidden();
        $this->as('planner')
            ->putJson('/api/assemblies/M-201/checked', ['print' => 'another'] + $sent)
            ->assertConflict();
        $this->as('planner')->putJson('/api/assemblies/M-201/checked', $sent)->assertOk();
        self::assertTrue($facing()['checked']['holds']);
        self::assertNotSame('', $facing()['checked']['who']);
        $file = $this->as('planner')->getJson('/api/installation.json')->assertOk()->json('checked');
        self::assertSame('M-201.b1', $file[0]['id']);
        $page = $this->page('M-201');
        $this->as('planner')->postJson('/api/assemblies/M-201/gestures', [
            'kind' => 'line',
            'run' => 'M-201',
            'side' => 'B',
            'fitting' => 'M-201.b1',
            'line' => "1/a > A2\n1/b > A1",
            'seen' => self::seen($page),
        ])->assertOk();
        self::assertFalse($facing()['checked']['holds']);
    }

    public function test_what_hands_gave_a_leg_stays_when_its_line_changes_elsewhere(): void
    {
        $run = $this->added(['code' => 'M-917', 'cable' => 'multicore-8', 'plans_b' => 'rect90-male-24ch']);
        $page = $this->page($run);
        $gesture = ['run' => $run, 'side' => 'B', 'kind' => 'shape', 'legs' => ['leg-1'], 'length' => '300 mm'];
        $this->as('planner')
            ->postJson("/api/assemblies/$run/gestures", $gesture + ['seen' => self::seen($page)])
            ->assertOk();
        $version = $this->page($run)['runs'][0]['version'];
        $this->as('planner')
            ->patchJson('/api/runs/'.$run, ['line' => ['note' => 'kept'], 'version' => $version])
            ->assertOk();
        self::assertSame('300 mm', $this->page($run)['runs'][0]['ends'][1]['legs'][0]['length']);
        $this->as('planner')
            ->patchJson('/api/runs/'.$run, ['line' => ['leg_a' => '0.25'], 'version' => $version + 1])
            ->assertOk();
        self::assertSame('250 mm', $this->page($run)['runs'][0]['ends'][0]['legs'][7]['length']);
    }

    /** Two that add jumpers at once: neither is lost. */
    public function test_a_jumper_that_somebody_else_adds_meanwhile_is_not_lost(): void
    {
        $page = $this->page('M-203');
        $jumpers = count($page['jumpers']);
        $out = collect($page['fittings'])->firstWhere('label', 'Split out 1');
        $gesture = static fn (array $bridges): array => ['kind' => 'jump', 'run' => 'M-203', 'bridges' => $bridges];
        // Between reading and writing, somebody else writes.
        $once = false;
        DB::connection()->beforeStartingTransaction(function () use (&$once): void {
            if (! $once) {
                $once = true;
                $panel = $this->installation->refresh()->panel;
                $panel['splices'][] = 'somebodys';
                $this->installation->update(['panel' => $panel]);
            }
        });
        $in = collect($page['jumpers'])->first()['from'];
        $shell = ['into' => ['connector' => 'xlr3-male-panel', 'label' => 'Split more']];
        $this->as('planner')
            ->postJson('/api/assemblies/M-203/gestures', $shell + $gesture([['from' => $in, 'to' => '2']]))
            ->assertConflict();
        self::assertTrue($once);
        self::assertContains('somebodys', $this->installation->refresh()->panel['splices']);
        $this->as('planner')
            ->postJson('/api/assemblies/M-203/gestures', $shell + $gesture([['from' => $in, 'to' => '2']]))
            ->assertOk();
        self::assertCount($jumpers + 1, $this->page('M-203')['jumpers']);
        self::assertNotNull($out);
    }

    /**
     * Any gestures and undos leave what the gestures that remain make alone, and no core without a word on it. What is
     * tried is drawn from a seeded generator of its own, that knows nothing of how gestures are drawn.
     */
    public function test_gestures_and_undos_leave_what_the_remaining_ones_make_alone(): void
    {
        $run = $this->added([
            'code' => 'M-915',
            'cable' => 'multicore-8',
            'plans_a' => 'xlr3-female-panel-balanced',
            'plans_b' => 'rect90-male-24ch',
        ]);
        $other = $this->added(['code' => 'M-916', 'cable' => 'multicore-8', 'plans_b' => '']);
        $start = $this->snapshot();
        foreach ([11] as $seed) {
            $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
            $kept = [];
            $undone = 0;
            for ($i = 0; $i < Share::many(24, 50); $i++) {
                if ($kept !== [] && $random->getInt(0, 2) === 0) {
                    [, $change] = array_pop($kept);
                    $this->as('planner')->postJson("/api/changes/$change/undo")->assertSuccessful();
                    $undone++;

                    continue;
                }
                $gesture = self::drawnAtRandom($random, $this->page($run), $this->page($other));
                $answer = $this->as('planner')->postJson("/api/assemblies/$run/gestures", $gesture);
                self::assertContains($answer->status(), [200, 422], (string) $answer->getContent());
                if ($answer->status() === 200 && $answer->json('change') !== null) {
                    $kept[] = [$gesture, $answer->json('change')];
                }
            }
            self::assertGreaterThan(Share::many(3, 8), $undone);
            self::assertNotEmpty($kept);
            $this->spokenFor($run);
            $this->spokenFor($other);
            $end = $this->snapshot();
            foreach (array_reverse($kept) as [, $change]) {
                $this->as('planner')->postJson("/api/changes/$change/undo")->assertSuccessful();
            }
            self::assertSame($start, $this->snapshot());
            foreach ($kept as [$gesture]) {
                $seen = [...self::seen($this->page($run)), ...self::seen($this->page($other))];
                $this->as('planner')
                    ->postJson("/api/assemblies/$run/gestures", ['seen' => $seen] + $gesture)
                    ->assertOk();
            }
            self::assertSame($end, $this->snapshot());
            foreach ($kept as $_) {
                $last = Change::query()->where('words', 'not like', 'Undone:%')->whereNotIn(
                    'id',
                    Change::query()->whereNotNull('undoes')->select('undoes'),
                )->latest('id')->firstOrFail();
                $this->as('planner')->postJson("/api/changes/{$last->id}/undo")->assertSuccessful();
            }
            self::assertSame($start, $this->snapshot());
        }
    }

    /**
     * @param  array<string, mixed>  $page
     * @param  array<string, mixed>  $beside
     * @return array<string, mixed>
     */
    private static function drawnAtRandom(\Random\Randomizer $random, array $page, array $beside): array
    {
        $one = static fn (array $of): mixed => $of === [] ? null : $of[$random->getInt(0, count($of) - 1)];
        $runs = [...$page['runs'], ...$beside['runs']];
        $run = $one($runs);
        $end = $run['ends'][$random->getInt(0, 1)];
        $element = $one($end['elements']);
        $core = $one($element['cores']);
        $fittings = [...$page['fittings'], ...$beside['fittings']];
        $fitting = $one($fittings);
        $contact = $one($fitting['drawing']['cavities'])['address'];
        $more = $one($fittings);
        $leg = $one($end['legs'])['id'] ?? 'leg-1';
        $base = [
            'run' => $run['id'],
            'side' => $end['side'],
            'seen' => [...self::seen($page), ...self::seen($beside)],
        ];

        return $base + $one([
            ['kind' => 'free', 'elements' => [$element['path']]],
            ['kind' => 'leave', 'elements' => [$element['path']], 'reason' => 'spare, parked'],
            ['kind' => 'leave', 'elements' => [$core['path']], 'reason' => 'cut off'],
            ['kind' => 'as-planned', 'elements' => [$element['path']]],
            ['kind' => 'join', 'elements' => [$core['path']], 'to' => $fitting['id'].'/'.$contact, 'reason' => 'tried'],
            [
                'kind' => 'land',
                'elements' => [$element['path']],
                'fitting' => $fitting['id'],
                'plan' => $fitting['plans'][0]['id'] ?? '',
            ],
            [
                'kind' => 'land',
                'elements' => [$element['path']],
                'into' => ['connector' => 'xlr3-male-cable', 'label' => 'Tried '.$random->getInt(1, 99)],
                'plan' => 'xlr3-male-cable-balanced',
                'length' => $random->getInt(100, 900).' mm',
            ],
            ['kind' => 'shape', 'legs' => [$leg], 'length' => $random->getInt(0, 900).' mm'],
            ['kind' => 'part', 'legs' => [$leg], 'each' => $random->getInt(1, 4)],
            ['kind' => 'gather', 'legs' => array_column($end['legs'], 'id')],
            ['kind' => 'share', 'fitting' => $fitting['id'], 'contacts' => [$contact]],
            ['kind' => 'jump', 'bridges' => [[
                'from' => $fitting['id'].'/'.$contact,
                'to' => $more['id'].'/'.$one($more['drawing']['cavities'])['address'],
            ]]],
            ['kind' => 'fit-switch', 'to' => $fitting['id'].'/'.$contact, 'label' => 'Tried'],
            ['kind' => 'splice', 'cores' => [
                ['run' => $run['id'], 'side' => $end['side'], 'conductor' => $core['path']],
                [
                    'run' => $run['id'],
                    'side' => $end['side'],
                    'conductor' => $one($one($end['elements'])['cores'])['path'],
                ],
            ]],
        ]);
    }

    /** Every core of a run comes to something, or it is said why not. */
    private function spokenFor(string $run): void
    {
        foreach ($this->page($run)['runs'] as $of) {
            foreach ($of['ends'] as $end) {
                foreach (array_merge(...array_column($end['elements'], 'cores')) as $core) {
                    self::assertNotSame($core['to'] === [], $core['unused'] === '', $of['code'].' '.$core['path']);
                }
            }
        }
    }

    /** Its answer is read in a few questions, however many runs are joined; none is asked for each of them. */
    public function test_a_page_of_many_ends_asks_as_little_as_one_of_two(): void
    {
        $asked = function (string $run): int {
            $this->page($run);
            DB::table('kept')->delete();
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->page($run);
            $count = count(DB::getQueryLog());
            DB::disableQueryLog();

            return $count;
        };
        self::assertSame($asked('A-114'), $asked('M-203'));
    }

    /** Planned by itself, without the rest of the building, it comes to what it comes to with it. */
    public function test_what_an_assembly_takes_is_what_the_whole_plan_says(): void
    {
        foreach (['A-114', 'M-201', 'P-007'] as $run) {
            $takes = $this->as('planner')->getJson("/api/assemblies/{$run}/takes")->assertOk()->json();
            self::assertGreaterThan(1, $takes['minutes']['value'], $run);
            $parts = $this->getJson('/api/parts?scope=assembly:'.$run)->assertOk()->json();
            // What is bought of it depends on what is on the shelf; what it needs does not.
            self::assertSame(
                array_column(array_column($parts['lines'], 'needed', 'name'), 'text'),
                array_column(array_column($takes['parts'], 'needed', 'name'), 'text'),
                $run,
            );
            self::assertGreaterThan(0, $takes['cost']);
        }
        // A core that is left off is a joint less to make.
        $minutes = fn (): float => (float) $this->getJson('/api/assemblies/M-203/takes')->json('minutes.value');
        $before = $minutes();
        $this->postJson('/api/assemblies/M-203/gestures', [
            'kind' => 'leave',
            'run' => 'M-203',
            'side' => 'A',
            'elements' => ['p1'],
            'reason' => 'spare, parked',
            'seen' => [],
        ])->assertOk();
        self::assertLessThan($before, $minutes());
        $this->getJson('/api/assemblies/nothing/takes')->assertNotFound();
    }
}
