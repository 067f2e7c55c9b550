<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Models\Release;
use App\Releases\ReleaseDesk;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Sartal\Core\Given\Schools\ColourScheme;
use Tests\TestCase;

/** Releases, what a change overtakes, and putting it right. */
final class ChangeTest extends TestCase
{
    /** @return array<string, string> stage → state, of the schedule */
    private function strand(string $run): array
    {
        return array_column(
            $this->as('planner')
                ->getJson('/api/runs/'.$run)
                ->assertOk()
                ->json('strand'),
            'state',
            'stage',
        );
    }

    /** @param  array<string, string>  $by */
    private function move(string $place, array $by, string $intent = 'ask'): TestResponse
    {
        return $this->as('planner')->postJson("/api/places/{$place}/move", ['by' => $by], ['Sartal-Intent' => $intent]);
    }

    private function mend(string $run, string $remedy, ?string $id = null): TestResponse
    {
        return $this->as('lead')->postJson('/api/overtaken/'.$run, [
            'id' => $id ?? (string) Str::uuid(),
            'remedy' => $remedy,
        ]);
    }

    public function test_an_edit_that_overtakes_work_is_asked_about_and_changes_nothing(): void
    {
        $before = $this->installation->fresh()?->decisions;
        $answer = $this->move('amp-rack-1', ['to-amp-rack-1' => '2 m'])->assertStatus(428);
        $impact = $answer->json('impact');
        self::assertSame('Amplifier rack 1 moved', $impact['words']);
        $codes = array_column($impact['runs'], 'code');
        foreach (['M-201', 'A-114', 'A-116', 'A-117', 'M-202', 'A-118', 'A-131'] as $cut) {
            self::assertContains($cut, $codes, 'cut, and now too short');
        }
        self::assertNotContains('A-119', $codes, 'not cut: it follows');
        self::assertNotContains('V-401', $codes, 'goes elsewhere');
        self::assertGreaterThan(0, $impact['minutes']['value']);
        self::assertEqualsWithDelta(
            array_sum(array_map(static fn (array $run): float => self::least($run), $impact['runs'])),
            $impact['minutes']['value'],
            1e-6,
        );
        self::assertSame($before, $this->installation->fresh()?->decisions);
        self::assertSame('done', $this->strand('A-114')['cut']);
    }

    /** @param  array<string, mixed>  $run */
    private static function least(array $run): float
    {
        $all = [...array_merge(...array_column($run['overtaken'], 'remedies')), $run['remake']];

        return array_sum(
            array_map(
                static fn (array $remedy): float => in_array($remedy['key'], $run['best'], true)
                    ? $remedy['minutes']['value']
                    : 0.0,
                $all,
            ),
        );
    }

    public function test_what_overtakes_nothing_is_made_at_once(): void
    {
        $this->move('sluice-window', ['barrage-conduit' => '2 m'])->assertOk();
        self::assertStringContainsString(
            '33000',
            json_encode($this->as('planner')->getJson('/api/building')->json('ways'), JSON_THROW_ON_ERROR),
        );
    }

    public function test_every_kind_of_edit_can_be_asked_about(): void
    {
        $ask = ['Sartal-Intent' => 'ask'];
        $this->as('planner');
        // A new run brings types into use; nothing that is done is overtaken.
        $this->postJson(
            '/api/runs',
            [
                'line' => self::line([
                    'cable' => 'cat6-utp',
                    'signals' => 'network',
                    'plans_a' => '8p8c-plug-t568b',
                    'plans_b' => '8p8c-plug-t568b',
                ]),
            ],
            $ask,
        )->assertCreated();
        $this->patchJson('/api/runs/A-114', ['line' => ['code' => 'A-115'], 'version' => 1], $ask)
            ->assertStatus(428)
            ->assertJsonPath('impact.runs.0.overtaken.0.kind', 'label');
        $this->deleteJson('/api/runs/A-900', ['version' => 1], $ask)->assertOk();
        $rules = $this->getJson('/api/rules')->json();
        // The demo names its schemes end by end, so that the house's own moves nothing.
        $this->putJson(
            '/api/rules',
            [
                'rules' => [ColourScheme::key() => ColourScheme::A->value] + $rules['rules'],
                'version' => $rules['version'],
            ],
            $ask,
        )->assertOk();
        $reel = ['id' => 'R-99', 'cable' => 'pair-foil', 'length' => '100 m'];
        $this->putJson('/api/reels', ['part' => $reel], $ask)->assertOk();
    }

    public function test_it_is_put_aside_looked_at_again_made_and_taken_back(): void
    {
        $this->move('amp-rack-1', ['to-amp-rack-1' => '2 m'], 'park')
            ->assertStatus(409)
            ->assertJsonPath(
                'message',
                'Put aside as a draft: Amplifier rack 1 moved. Nothing is changed; it waits under Hand-over, Releases.',
            );
        $draft = $this->as('planner')->getJson('/api/drafts')->assertOk()->json('0');
        self::assertSame('Amplifier rack 1 moved', $draft['words']);
        self::assertSame('done', $this->strand('A-114')['cut']);
        self::assertGreaterThan(
            5,
            $this->as('planner')
                ->getJson('/api/drafts/'.$draft['id'])
                ->assertOk()
                ->json('runsCount'),
        );
        $this->as('bench')
            ->postJson('/api/drafts/'.$draft['id'])
            ->assertForbidden();
        $this->as('planner')
            ->postJson('/api/drafts/'.$draft['id'])
            ->assertStatus(201);
        self::assertSame('overtaken', $this->strand('A-114')['cut']);
        self::assertSame('done', $this->strand('A-114')['test'], 'Its wiring is as it was.');
        $this->as('planner')->getJson('/api/drafts')->assertJsonCount(0);

        // Undoing it leaves nothing overtaken.
        $this->as('planner')
            ->postJson('/api/changes/'.$this->installation->changes()->first()?->id.'/undo')
            ->assertCreated();
        self::assertSame('done', $this->strand('A-114')['cut']);
        $this->as('lead')->getJson('/api/overtaken')->assertJsonPath('count', 0);
    }

    public function test_a_draft_on_what_has_changed_since_is_refused_and_kept(): void
    {
        $this->move('amp-rack-1', ['to-amp-rack-1' => '2 m'], 'park');
        $this->move('amp-rack-1', ['to-amp-rack-1' => '1 m'], 'accept')->assertOk();
        $draft = $this->as('planner')->getJson('/api/drafts')->json('0.id');
        $this->as('planner')
            ->postJson('/api/drafts/'.$draft)
            ->assertStatus(409);
        $this->as('planner')->getJson('/api/drafts')->assertJsonCount(1);
        $this->as('planner')
            ->deleteJson('/api/drafts/'.$draft)
            ->assertOk();
        $this->as('planner')->getJson('/api/drafts')->assertJsonCount(0);
    }

    public function test_bad_moves_name_the_way_and_what_to_write(): void
    {
        $this->move('amp-rack-1', ['to-amp-rack-1' => 'far'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('by.to-amp-rack-1');
        $this->move('amp-rack-1', ['to-amp-rack-1' => '-3 m'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('by.to-amp-rack-1');
        $this->move('amp-rack-1', ['to-lectern' => '1 m'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('by.to-lectern');
        $this->move('amp-rack-1', [])->assertUnprocessable()->assertJsonValidationErrors('by');
    }

    public function test_the_leeway_of_a_rack_is_where_the_first_cable_becomes_too_short(): void
    {
        $lines = array_values(
            array_filter(
                $this->as('planner')->getJson('/api/places/amp-rack-1/leeway')->assertOk()->json('lines'),
                static fn (array $line): bool => $line['way'] === 'to-amp-rack-1',
            ),
        );
        $before = (float) $lines[0]['before'] / 1000;
        $this->move('amp-rack-1', ['to-amp-rack-1' => sprintf('%.3f m', $before)], 'ask')->assertOk();
        $codes = array_column(
            $this->move('amp-rack-1', ['to-amp-rack-1' => '0.002 m'])
                ->assertStatus(428)
                ->json('impact.runs'),
            'code',
        );
        self::assertContains($lines[0]['code'], $codes);
    }

    public function test_overtaken_work_is_mended_by_records_and_a_repeat_is_recorded_once(): void
    {
        // 0.4 m more: A-114 has 0.3 m of slack at each end.
        $this->move('amp-rack-1', ['to-amp-rack-1' => '0.4 m'], 'accept')->assertOk();
        $run = array_column($this->as('lead')->getJson('/api/overtaken')->assertOk()->json('runs'), null, 'code')[
            'A-114'
        ];
        self::assertSame(['slack'], $run['best'], json_encode($run, JSON_THROW_ON_ERROR));
        $id = (string) Str::uuid();
        $this->as('tester')
            ->postJson('/api/overtaken/A-114', ['id' => $id, 'remedy' => 'slack'])
            ->assertForbidden();
        $this->mend('A-114', 'slack', $id)->assertCreated();
        $this->mend('A-114', 'slack', $id)->assertCreated();
        self::assertSame(
            2,
            $this->installation->events()->where('run', 'A-114')->where('kind', 'cut')->count(),
            'The cut, and that it serves.',
        );
        self::assertSame('done', $this->strand('A-114')['cut']);
        self::assertSame('done', $this->strand('A-114')['test']);
        $this->mend('A-114', 'slack')->assertUnprocessable();
        // It is no piece on the shelf, and nothing has to be cut for it.
        $cutting = json_encode($this->as('bench')->getJson('/api/cutting')->json(), JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString('"name":"piece cut for A-114', $cutting);
    }

    public function test_a_cable_that_is_made_again_goes_back_to_the_bench_from_its_cut(): void
    {
        $this->move('amp-rack-1', ['to-amp-rack-1' => '2 m'], 'accept')->assertOk();
        $this->mend('A-116', 'remake')->assertCreated();
        $strand = $this->strand('A-116');
        foreach (['cut', 'end-a', 'end-b', 'look', 'label', 'test'] as $stage) {
            self::assertSame('to-do', $strand[$stage], $stage);
        }
        self::assertStringContainsString(
            '"name":"piece cut for A-116',
            json_encode($this->as('bench')->getJson('/api/cutting')->json(), JSON_THROW_ON_ERROR),
            'The old piece is on the shelf.',
        );
        self::assertSame(
            'Cut',
            explode(' ', $this->as('bench')->getJson('/api/bench/A-116')->json('steps.0.words') ?? 'Cut')[0],
        );
    }

    public function test_another_plan_sends_back_the_joints_that_it_moves_and_no_others(): void
    {
        $joint = array_column($this->as('planner')->getJson('/api/runs/A-114')->json('ends.1.joints'), null, 'address')[
            '2'
        ];
        $this->as('planner')
            ->putJson('/api/runs/A-114/ends/B/joint', [
                'conductor' => $joint['conductor'],
                'to' => 'A-114.b1/3',
                'reason' => 'test',
                'version' => 1,
            ])
            ->assertOk();
        $run = array_column($this->as('lead')->getJson('/api/overtaken')->json('runs'), null, 'code')['A-114'] ?? null;
        self::assertNotNull($run);
        $end = array_values(
            array_filter($run['overtaken'], static fn (array $each): bool => $each['key'] === 'end-B'),
        )[0];
        self::assertCount(1, $end['details'], implode(', ', $end['details']));
        self::assertStringContainsString('→', $end['details'][0]);
        $this->mend('A-114', 'joints-B')->assertCreated();
        $strand = $this->strand('A-114');
        self::assertSame(['done', 'to-do', 'done'], [$strand['end-a'], $strand['end-b'], $strand['cut']]);
    }

    public function test_pieces_change_places_on_the_record(): void
    {
        foreach (['A-900' => '0.9', 'A-901' => '1.9'] as $code => $tail) {
            $this->as('planner')
                ->postJson('/api/runs', ['line' => self::line(['code' => $code, 'tail_b' => $tail])])
                ->assertCreated();
            $this->as('bench')
                ->postJson('/api/events', ['id' => (string) Str::uuid(), 'kind' => 'cut', 'run' => $code])
                ->assertCreated();
        }
        self::assertSame(1000.0, (float) $this->cutOf('A-901') - (float) $this->cutOf('A-900'));
        foreach (['A-900' => '1.9', 'A-901' => '0.9'] as $run => $tail) {
            $this->as('planner')
                ->patchJson('/api/runs/'.$run, ['line' => ['tail_b' => $tail], 'version' => 1])
                ->assertOk();
        }
        $run = array_column($this->as('lead')->getJson('/api/overtaken')->json('runs'), null, 'id')['A-900'];
        self::assertSame(['exchange'], $run['best'], json_encode($run, JSON_THROW_ON_ERROR));
        $this->mend('A-900', 'exchange')->assertCreated();
        self::assertSame('done', $this->strand('A-900')['cut']);
        self::assertSame('done', $this->strand('A-901')['cut']);
        $this->as('lead')->getJson('/api/overtaken')->assertJsonPath('count', 0);
        $cutting = json_encode($this->as('bench')->getJson('/api/cutting')->json(), JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString('"name":"piece cut for A-90', $cutting, 'Both pieces have a run.');
    }

    private function cutOf(string $run): string
    {
        return (string) $this->as('planner')
            ->getJson('/api/runs/'.$run)
            ->json('cut');
    }

    public function test_the_shop_works_from_the_release_and_drafts_disturb_nobody(): void
    {
        $this->as('bench')
            ->postJson('/api/releases', ['note' => ''])
            ->assertForbidden();
        $this->as('planner')
            ->postJson('/api/releases', ['note' => 'For the bench'])
            ->assertStatus(202)
            ->assertJsonPath('result.letter', 'A');
        $test = $this->as('tester')->getJson('/api/runs/A-114/test')->assertOk()->json();
        $this->move('amp-rack-1', ['to-amp-rack-1' => '2 m'], 'accept')->assertOk();
        $this->as('planner')
            ->postJson('/api/runs', ['line' => self::line()])
            ->assertCreated();

        self::assertSame('overtaken', $this->strand('A-114')['cut'], 'The schedule shows what is planned now.');
        $this->as('lead')->getJson('/api/overtaken')->assertJsonPath('count', 0);
        $this->as('bench')->getJson('/api/bench/A-900')->assertNotFound();
        self::assertEquals(
            $test['probes'] ?? null,
            $this->as('tester')->getJson('/api/runs/A-114/test')->json('probes'),
        );
        $codes = array_merge(
            ...array_column(
                $this->as('bench')->getJson('/api/bench')->json('jobs') ??
                    ($this->as('bench')->getJson('/api/bench')->json('lines') ?? []),
                'codes',
            ),
        );
        self::assertNotContains('A-900', $codes);
        $this->as('bench')
            ->postJson('/api/events', ['id' => (string) Str::uuid(), 'kind' => 'cut', 'run' => 'A-119'])
            ->assertCreated();
        $this->as('bench')
            ->postJson('/api/events', ['id' => (string) Str::uuid(), 'kind' => 'cut', 'run' => 'A-900'])
            ->assertUnprocessable();

        $ahead = $this->as('planner')->getJson('/api/releases/preview')->assertOk()->json();
        self::assertContains('A-900', array_column($ahead['changes'], 'name'));
        self::assertContains(
            'A-119',
            array_column($ahead['impact']['runs'], 'code'),
            'Cut by the release, and too short by the next.',
        );
        $this->as('planner')
            ->postJson('/api/releases', ['note' => 'The rack has moved'])
            ->assertStatus(202)
            ->assertJsonPath('result.letter', 'B');
        self::assertGreaterThan(5, $this->as('lead')->getJson('/api/overtaken')->json('count'));

        $changes = $this->as('installer')->getJson('/api/releases/A/compare/B')->assertOk()->json('changes');
        $way = array_values(array_filter($changes, static fn (array $line): bool => $line['kind'] === 'way'))[0];
        self::assertSame(['field' => 'length', 'was' => '800 mm', 'is' => '2800 mm'], $way['fields'][0]);
        self::assertSame('added', array_column($changes, 'change', 'name')['A-900']);
        $a114 = array_values(array_filter($changes, static fn (array $line): bool => $line['name'] === 'A-114'))[0];
        self::assertSame(['cut length'], array_column($a114['fields'], 'field'));
        $this->as('installer')->getJson('/api/releases/B/compare/now')->assertOk()->assertJsonPath('changes', []);
    }

    public function test_releasing_editing_and_undoing_leaves_nothing_overtaken(): void
    {
        $this->as('planner')
            ->postJson('/api/releases', ['note' => ''])
            ->assertStatus(202);
        $edits = [
            fn (): TestResponse => $this->move('amp-rack-1', ['to-amp-rack-1' => '2 m'], 'accept'),
            fn (): TestResponse => $this->move('lectern', ['to-lectern' => '-1 m'], 'accept'),
            fn (): TestResponse => $this->patchJson('/api/runs/A-114', [
                'line' => ['code' => 'A-115', 'plans_b' => 'xlr3-male-panel-balanced'],
                'version' => 1,
            ]),
            fn (): TestResponse => $this->patchJson('/api/runs/M-202', ['line' => ['tail_a' => '4'], 'version' => 1]),
            function (): TestResponse {
                $rules = $this->getJson('/api/rules')->json();

                return $this->putJson('/api/rules', [
                    'rules' => ['routeAllowance' => 9.0] + $rules['rules'],
                    'version' => $rules['version'],
                ]);
            },
        ];
        $hit = 0;
        foreach ($edits as $i => $edit) {
            $this->as('planner');
            $edit()->assertOk();
            $hit += $this->getJson('/api/releases/preview')->assertOk()->json('impact.count') > 0 ? 1 : 0;
            $this->as('lead')->getJson('/api/overtaken')->assertJsonPath('count', 0);
            $this->as('planner')
                ->postJson('/api/changes/'.$this->installation->changes()->first()?->id.'/undo')
                ->assertCreated();
            $ahead = $this->getJson('/api/releases/preview')->assertOk()->json();
            self::assertSame([0, []], [$ahead['impact']['count'], $ahead['changes']], 'edit '.$i);
        }
        self::assertSame(count($edits), $hit, 'Each of them overtook something while it stood.');
    }

    public function test_a_release_is_what_was_signed_or_says_so(): void
    {
        $this->as('planner')
            ->postJson('/api/releases', ['note' => ''])
            ->assertStatus(202);
        $release = Release::query()->firstOrFail();
        self::assertTrue(ReleaseDesk::holds($release, $this->installation));
        self::assertSame(hash('sha256', $release->document.$release->plan), $release->digest);
        $this->as('installer')->get('/api/releases/A/installation.json')->assertForbidden();
        $this->get('/api/releases/A/plan.json')->assertOk();
        $document = $this->as('lead')->get('/api/releases/A/installation.json')->assertOk()->getContent();
        self::assertSame($release->document, $document);
        $release->update(['document' => str_replace('800 mm', '900 mm', $release->document)]);
        self::assertFalse(ReleaseDesk::holds($release, $this->installation));
        $release->update(['digest' => hash('sha256', $release->document.$release->plan)]);
        self::assertFalse(ReleaseDesk::holds($release, $this->installation), 'The digest alone is not the signature.');
        $this->as('installer')->getJson('/api/releases/A/plan.json')->assertStatus(500);
    }

    public function test_letters_go_on_after_z(): void
    {
        self::assertSame(
            ['A', 'B', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA'],
            array_map(ReleaseDesk::letter(...), [0, 1, 25, 26, 51, 52, 701, 702]),
        );
    }
}
