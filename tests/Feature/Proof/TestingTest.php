<?php

declare(strict_types=1);

namespace Tests\Feature\Proof;

use App\Models\StoredEvent;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Test plans, instruments and what they say, several testers at one cable, and the way back to the bench. */
final class TestingTest extends TestCase
{
    /** @return array<string, mixed> */
    private function sheet(string $run, string $stage = 'bench'): array
    {
        return $this->getJson('/api/runs/'.$run.'/test?stage='.$stage)
            ->assertOk()
            ->json();
    }

    /**
     * @param  array<string, list<string>>  $with
     * @return array<string, mixed>
     */
    private function map(string $run, array $with = []): array
    {
        return ['lights' => [...$this->sheet($run)['expected'], ...$with]];
    }

    /** @param  array<string, mixed>  $event */
    private function record(string $role, string $run, array $event): TestResponse
    {
        return $this->as($role)->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => $run,
            ...$event,
        ]);
    }

    private function bead(string $run): string
    {
        return collect($this->getJson('/api/runs/'.$run)->json('strand'))->firstWhere('stage', 'test')['state'];
    }

    public function test_the_sheet_has_the_plan_the_questions_and_how_each_number_came_about(): void
    {
        $sheet = $this->as('tester')->sheet('A-118');
        self::assertSame(['map', 'shells', 'wiggle'], array_column($sheet['plan'], 'method'));
        $ohms = $sheet['methods']['ohms'][0];
        self::assertGreaterThan(0.5, $ohms['expected']);
        self::assertStringContainsString('m ×', $ohms['figure']['terms'][0]['detail']);
        self::assertSame('ASTM B258, IEC 60228', $ohms['figure']['terms'][0]['source']);
        self::assertContains('noise', array_column($this->sheet('A-118', 'installed')['plan'], 'method'));
        self::assertSame(['eyes-a', 'eyes-b'], array_column($this->sheet('A-118', 'before-closing')['plan'], 'method'));
        self::assertCount(
            8,
            $this->sheet('M-203')['states'],
            'each ground lift of the split panel is a state of its own, and rest is none of them',
        );
    }

    public function test_the_next_reading_parts_what_reads_the_same(): void
    {
        $this->as('tester');
        $said = $this->postJson('/api/runs/A-118/test', ['reading' => $this->map('A-118', ['t:A-118.a1/2' => []])])
            ->assertOk()
            ->json();
        self::assertSame('fails', $said['verdict']);
        self::assertSame('capacitance', $said['troubles'][0]['next']['method']);
        self::assertGreaterThan(1, count($said['troubles'][0]['next']['answers']));
        $next = $said['troubles'][0]['next'];
        $more = [
            ...$this->map('A-118', ['t:A-118.a1/2' => []]),
            'samples' => [['method' => 'capacitance', 'at' => $next['at'], 'value' => 0]],
        ];
        $after = $this->postJson('/api/runs/A-118/test', ['reading' => $more])
            ->assertOk()
            ->json('troubles.0.causes');
        self::assertLessThan(count($said['troubles'][0]['causes']), count($after));
    }

    public function test_a_declared_line_is_written_down_as_declared_and_a_measured_number_with_its_method(): void
    {
        $this->as('tester');
        $ohms = $this->sheet('A-118')['methods']['ohms'][0];
        $reading = [
            ...$this->map('A-118'),
            'declared' => ['t:A-118.a1/2'],
            'samples' => [['method' => 'ohms', 'at' => $ohms['at'], 'value' => $ohms['expected'] * 1.05]],
        ];
        $this->record('tester', 'A-118', ['reading' => $reading, 'instrument' => 'Meter 1'])
            ->assertCreated()
            ->assertJsonPath('verdict', 'passes');
        $trial = $this->sheet('A-118')['trials'][0];
        self::assertSame(['read' => 4, 'declared' => 1], $trial['read']['end-to-end map']);
        self::assertSame(
            ['read' => 1, 'declared' => 0],
            $trial['read']['ohmmeter, against what length and gauge make'],
        );
        self::assertSame(['wiggle while the map is read'], $trial['missing']);
        $reading['samples'][0]['value'] = $ohms['expected'] * 1.4;
        $this->record('tester', 'A-118', ['reading' => $reading])->assertJsonPath('verdict', 'fails');
    }

    public function test_readings_of_what_is_not_there_are_refused(): void
    {
        $this->as('tester');
        foreach (
            [
                ['method' => 'ohms', 'at' => 'nowhere|nothing', 'value' => 1],
                ['method' => 'ohms', 'at' => 't:A-118.a1/1|t:A-118.b1/1', 'value' => 'much'],
                ['method' => 'magic', 'at' => 'x', 'value' => 1],
                ['method' => 'wiggle', 'at' => 't:A-118.a1/1', 'value' => ['t:A-118.b1/1']],
            ] as $sample
        ) {
            $this->record('tester', 'A-118', [
                'reading' => [...$this->map('A-118'), 'samples' => [$sample]],
            ])->assertUnprocessable();
        }
        $this->record('tester', 'A-118', ['reading' => ['lights' => []]])->assertUnprocessable();
        self::assertSame(0, StoredEvent::query()->where('run', 'A-118')->where('kind', 'tested')->count());
    }

    public function test_mains_is_measured_by_a_licensed_person_and_nothing_of_it_is_declared(): void
    {
        $this->as('lead');
        $sheet = $this->sheet('P-007');
        self::assertSame(['ohms', 'insulation', 'map'], array_slice(array_column($sheet['plan'], 'method'), 0, 3));
        $samples = fn (bool $declared): array => [
            ...array_map(
                static fn (array $each): array => [
                    'method' => 'ohms',
                    'at' => $each['at'],
                    'value' => $each['expected'],
                    'declared' => $declared,
                ],
                $sheet['methods']['ohms'],
            ),
            ...array_map(
                static fn (array $each): array => [
                    'method' => 'insulation',
                    'at' => $each['at'],
                    'value' => 200,
                    'declared' => $declared,
                ],
                $sheet['methods']['insulation'],
            ),
        ];
        $this->record('tester', 'P-007', ['reading' => [...$this->map('P-007'), 'samples' => $samples(false)]])
            ->assertUnprocessable()
            ->assertJsonFragment([
                'message' => 'by: Mains is tested by a person who is licensed for it, under local code. The lead '.
                    'keeps who is.',
            ]);
        $this->record('lead', 'P-007', ['reading' => $this->map('P-007')])
            ->assertCreated()
            ->assertJsonPath('verdict', 'incomplete');
        $this->record('lead', 'P-007', [
            'reading' => [...$this->map('P-007'), 'samples' => $samples(true)],
        ])->assertJsonPath('verdict', 'incomplete');
        $this->record('lead', 'P-007', [
            'reading' => [...$this->map('P-007'), 'samples' => $samples(false)],
        ])->assertJsonPath('verdict', 'passes');
        $weak = $samples(false);
        $weak[count($weak) - 1]['value'] = 0.4;
        $this->record('lead', 'P-007', ['reading' => [...$this->map('P-007'), 'samples' => $weak]])->assertJsonPath(
            'verdict',
            'fails',
        );
    }

    public function test_signal_and_mains_of_a_composite_are_tested_by_two_people(): void
    {
        $this->as('lead');
        $sheet = $this->sheet('P-007');
        self::assertSame(
            [],
            array_intersect(['L', 'N', 'PE'], array_column($sheet['from'], 'address')),
            'no lamp is put to mains',
        );
        $mains = fn (float $insulation): array => [
            'lights' => new \stdClass(),
            'samples' => [
                ...array_map(
                    static fn (array $each): array => [
                        'method' => 'ohms',
                        'at' => $each['at'],
                        'value' => $each['expected'],
                    ],
                    array_values(
                        array_filter(
                            $sheet['methods']['ohms'],
                            static fn (array $each): bool => ! ($each['optional'] ?? false),
                        ),
                    ),
                ),
                ...array_map(
                    static fn (array $each): array => [
                        'method' => 'insulation',
                        'at' => $each['at'],
                        'value' => $insulation,
                    ],
                    $sheet['methods']['insulation'],
                ),
            ],
        ];
        $signal = $this->map('P-007');
        $wrong = [...$signal, 'lights' => [...$signal['lights'], 't:P-007.a2/2' => []]];
        $this->record('tester', 'P-007', ['reading' => $wrong])->assertJsonPath('verdict', 'fails');
        $this->record('lead', 'P-007', ['reading' => $mains(200)])->assertJsonPath('verdict', 'fails');
        $this->as('tester');
        $judged = $this->postJson('/api/runs/P-007/test', ['reading' => $signal, 'stage' => 'bench'])->assertOk();
        $judged->assertJsonPath('verdict', 'passes');
        $judged->assertJsonPath('domains.0', ['domain' => 'signal', 'verdict' => 'passes', 'by' => '']);
        self::assertNotSame('', $judged->json('domains.1.by'));
        $this->record('tester', 'P-007', ['reading' => $signal])->assertJsonPath('verdict', 'passes');
        self::assertSame('done', $this->bead('P-007'));
        self::assertSame([], $this->sheet('P-007')['contradiction'], 'the lead said nothing of the signal');
        $this->record('lead', 'P-007', ['reading' => $mains(0.4)])->assertJsonPath('verdict', 'fails');
        self::assertSame('failed', $this->bead('P-007'));
        $event = StoredEvent::query()->where('kind', 'tested')->latest('id')->firstOrFail();
        self::assertCount(1, $event->definition['rests'] ?? []);
    }

    public function test_two_testers_who_contradict_each_other_both_stay_and_one_is_said_to_hold(): void
    {
        $this->as('tester');
        $good = $this->map('A-118');
        $this->record('tester', 'A-118', ['reading' => $good])->assertCreated();
        self::assertSame('done', $this->bead('A-118'));
        $this->record('lead', 'A-118', ['reading' => $good])->assertCreated();
        self::assertSame([], $this->sheet('A-118')['contradiction'], 'who agree are asked nothing');
        $this->record('lead', 'A-118', [
            'reading' => [...$good, 'lights' => [...$good['lights'], 't:A-118.a1/2' => []]],
            'note' => 'it went dark when I moved it',
        ])->assertCreated();
        $apart = $this->sheet('A-118')['contradiction'];
        self::assertCount(2, $apart);
        self::assertSame('failed', $this->bead('A-118'));
        self::assertContains(
            '2 people tested it and do not agree.',
            collect($this->getJson('/api/runs/A-118')->json('findings'))->pluck('words'),
        );
        $holds = collect($this->sheet('A-118')['trials'])->firstWhere('verdict', 'fails')['id'];
        $this->record('installer', 'A-118', ['kind' => 'settled', 'of' => $holds])->assertForbidden();
        $this->record('tester', 'A-118', ['kind' => 'settled', 'of' => Str::uuid()->toString()])->assertUnprocessable();
        $this->record('tester', 'A-118', ['kind' => 'settled', 'of' => $holds])->assertCreated();
        self::assertSame([], $this->sheet('A-118')['contradiction']);
        self::assertSame('failed', $this->bead('A-118'));
        self::assertCount(
            3,
            collect($this->sheet('A-118')['trials'])->where('kind', 'tested'),
            'nothing is taken away',
        );
    }

    public function test_bench_and_in_place_stand_beside_each_other(): void
    {
        $this->as('tester');
        $this->record('tester', 'A-118', ['reading' => $this->map('A-118')]);
        $this->record('tester', 'A-118', [
            'reading' => $this->map('A-118', ['t:A-118.a1/2' => []]),
            'stage' => 'installed',
        ]);
        $trials = collect($this->sheet('A-118')['trials']);
        self::assertSame(['installed' => 'fails', 'bench' => 'passes'], $trials->pluck('verdict', 'stage')->all());
        self::assertSame([], $this->sheet('A-118', 'installed')['contradiction'], 'other stages are other questions');
        self::assertSame('failed', $this->bead('A-118'));
    }

    public function test_a_test_taken_by_a_plan_that_has_changed_since_is_kept_and_says_nothing_of_today(): void
    {
        $this->as('tester');
        $reading = ['lights' => ['t:A-118.old/1' => ['t:A-118.old/2']]];
        $this->record('tester', 'A-118', ['reading' => $reading])->assertUnprocessable();
        $this->record('tester', 'A-118', ['reading' => $reading, 'fingerprint' => 'of another day'])
            ->assertCreated()
            ->assertJsonPath('verdict', 'incomplete');
        self::assertTrue($this->sheet('A-118')['trials'][0]['overtaken']);
        self::assertSame('to-do', $this->bead('A-118'));
    }

    public function test_what_failed_goes_back_to_the_joint_at_the_bench_and_the_whole_test_is_due_again(): void
    {
        $this->as('tester');
        $bad = $this->map('A-118', ['t:A-118.a1/2' => []]);
        $id = Str::uuid()->toString();
        $this->postJson('/api/events', [
            'id' => $id,
            'kind' => 'tested',
            'run' => 'A-118',
            'reading' => $bad,
        ])->assertCreated();
        $cause = collect(
            $this->postJson('/api/runs/A-118/test', ['reading' => $bad])->json('troubles.0.causes'),
        )->first(fn (array $cause): bool => $cause[0]['side'] === 'B');
        $back = $this->postJson('/api/runs/A-118/mend', [
            'test' => $id,
            'edges' => $cause[0]['edges'],
            'note' => $cause[0]['words'],
        ])
            ->assertCreated()
            ->json('again');
        self::assertStringContainsString('2', $back[0]);
        self::assertSame('to-do', $this->bead('A-118'));
        self::assertSame(
            'to-do',
            collect($this->getJson('/api/runs/A-118')->json('strand'))->firstWhere('stage', 'end-b')['state'],
        );
        $open = collect($this->getJson('/api/bench/A-118')->json('state.standings'))->filter(
            fn (array $each): bool => $each['status'] === 'to-do',
        );
        self::assertTrue($open->keys()->contains(fn (string $step): bool => str_contains($step, '|join|')));
        $events = StoredEvent::query()->count();
        $this->postJson('/api/runs/A-118/mend', [
            'test' => $id,
            'edges' => $cause[0]['edges'],
            'note' => 'again',
        ])->assertCreated();
        self::assertSame($events, StoredEvent::query()->count(), 'the same test sends the same joint back once');
        $this->postJson('/api/runs/A-118/mend', ['test' => $id, 'edges' => ['c:A-118:p1/a']])->assertUnprocessable();
        $this->postJson('/api/runs/A-118/mend', [
            'test' => 'none',
            'edges' => $cause[0]['edges'],
        ])->assertUnprocessable();
        $this->as('bench')->postJson('/api/runs/A-118/mend', [])->assertForbidden();
    }

    public function test_instruments_are_entered_and_an_overdue_one_is_a_finding_on_its_results(): void
    {
        $page = $this->as('tester')->getJson('/api/instruments')->assertOk()->json();
        self::assertTrue(collect($page['instruments'])->firstWhere('id', 'wire-map-1')['overdue']);
        $this->putJson('/api/instruments', [
            'part' => ['id' => 'lamp', 'name' => 'Lamp', 'kind' => 'lamp', 'calibratedTo' => '2026-02-30'],
        ])->assertUnprocessable();
        $this->putJson('/api/instruments', [
            'part' => ['id' => 'lamp', 'name' => 'Lamp', 'kind' => 'lamp', 'calibratedTo' => '2020-01-31'],
        ])->assertOk();
        $this->record('tester', 'A-118', [
            'reading' => $this->map('A-118'),
            'instrument' => 'Meter 1, Lamp',
        ])->assertCreated();
        self::assertSame(['test.overdue'], array_column($this->sheet('A-118')['trials'][0]['findings'], 'code'));
        self::assertContains(
            'Tested with Lamp, whose calibration held until 2020-01-31.',
            collect($this->getJson('/api/runs/A-118')->json('findings'))->pluck('words'),
        );
        $version = collect($this->getJson('/api/instruments')->json('instruments'))->firstWhere('id', 'lamp')[
            'version'
        ];
        $this->putJson('/api/instruments', [
            'part' => ['id' => 'lamp', 'name' => 'Lamp', 'kind' => 'lamp'],
            'version' => $version + 5,
        ])->assertConflict();
        $this->deleteJson('/api/instruments/lamp', ['version' => $version])->assertOk();
        $this->as('bench')->putJson('/api/instruments', [])->assertForbidden();
    }

    public function test_whoever_made_an_end_is_named_where_the_house_wants_another_to_test(): void
    {
        $rules = $this->as('planner')->getJson('/api/rules')->json();
        $this->putJson('/api/rules', [
            'rules' => [...$rules['rules'], 'testedBy' => 'another'],
            'version' => $rules['version'],
        ])->assertOk();
        $this->as('lead')
            ->postJson('/api/events', [
                'id' => Str::uuid()->toString(),
                'kind' => 'remade',
                'run' => 'A-118',
                'side' => 'B',
            ])
            ->assertCreated();
        $this->record('lead', 'A-118', ['reading' => $this->map('A-118')])->assertCreated();
        self::assertSame(['test.own-work'], array_column($this->sheet('A-118')['trials'][0]['findings'], 'code'));
        $this->record('tester', 'A-118', ['reading' => $this->map('A-118')])->assertCreated();
        self::assertSame([], $this->sheet('A-118')['trials'][0]['findings']);
    }

    public function test_the_house_edits_the_plan_of_a_family_and_a_stale_edit_shows_both(): void
    {
        $page = $this->as('planner')->getJson('/api/instruments')->json();
        $family =
            $page['families'][
                array_search(
                    true,
                    array_map(static fn (array $each): bool => str_contains($each['family'], 'xlr'), $page['families']),
                    true,
                )
            ]['family'];
        $rules = ['families' => [['family' => $family, 'bench' => ['map', 'noise']]]];
        $this->putJson('/api/testing', ['rules' => $rules, 'version' => $page['version']])->assertOk();
        $this->putJson('/api/testing', ['rules' => $rules, 'version' => $page['version']])
            ->assertConflict()
            ->assertJsonStructure(['yours', 'theirs']);
        $this->putJson('/api/testing', [
            'rules' => ['families' => [['family' => $family, 'bench' => ['magic']]]],
            'version' => $page['version'] + 1,
        ])->assertUnprocessable();
        $this->record('tester', 'A-118', ['reading' => $this->map('A-118')])->assertJsonPath('verdict', 'incomplete');
        $this->as('tester')->putJson('/api/testing', [])->assertForbidden();
    }

    /** @return array<string, mixed> */
    private function measured(string $run, string $instrument, array $measure = []): array
    {
        return $this->postJson('/api/simulators/instruments/'.$instrument.'/measure', [
            'assembly' => $run,
            'measure' => $measure,
        ])
            ->assertOk()
            ->json();
    }

    public function test_a_simulated_instrument_reads_the_faults_that_were_put_in(): void
    {
        $this->as('tester');
        $could = collect(
            $this->getJson('/api/simulators/assemblies/A-118')->assertOk()->assertJsonPath('in', [])->json('could'),
        );
        $swap = $could->first(
            fn (array $fault): bool => str_contains($fault['words'], 'swapped at end B') &&
                str_contains($fault['words'], 'Hot and cold'),
        );
        $this->putJson('/api/simulators/assemblies/A-118', ['faults' => ['nonsense']])->assertUnprocessable();
        $this->putJson('/api/simulators/assemblies/A-118', ['faults' => [$swap['key']]])->assertOk();
        $message = $this->measured('A-118', 'loom-2');
        self::assertSame(
            ['sartal-instrument', 1, 'Loom tester 2', 'A-118'],
            [$message['protocol'], $message['version'], $message['instrument']['name'], $message['assembly']],
        );
        $read = $this->postJson('/api/runs/A-118/message', ['message' => $message])
            ->assertOk()
            ->json('reading');
        $said = $this->postJson('/api/runs/A-118/test', ['reading' => $read])
            ->assertOk()
            ->assertJsonPath('verdict', 'fails')
            ->json('troubles.0.causes');
        self::assertContains($swap['words'], array_map(static fn (array $cause): string => $cause[0]['words'], $said));
        $this->postJson('/api/simulators/instruments/loom-2/measure', [
            'assembly' => 'A-118',
            'measure' => ['insulation'],
        ])->assertUnprocessable();
        $this->putJson('/api/simulators/assemblies/A-118', ['faults' => []])->assertOk();
        foreach (['loom-2', 'wire-map-1', 'meter-1', 'ears-1'] as $instrument) {
            $read = $this->postJson('/api/runs/A-118/message', ['message' => $this->measured('A-118', $instrument)])
                ->assertOk()
                ->json('reading');
            $this->postJson('/api/runs/A-118/test', ['reading' => $read])
                ->assertOk()
                ->assertJsonPath('troubles', []);
        }
    }

    public function test_a_many_way_assembly_with_switches_comes_through_the_protocol_whole(): void
    {
        $this->as('tester');
        foreach (['M-203' => 'loom-2', 'M-201' => 'loom-2', 'C-418' => 'certifier-1'] as $run => $instrument) {
            $read = $this->postJson('/api/runs/'.$run.'/message', ['message' => $this->measured($run, $instrument)])
                ->assertOk()
                ->json('reading');
            $this->postJson('/api/runs/'.$run.'/test', ['reading' => $read])
                ->assertOk()
                ->assertJsonPath('verdict', 'passes');
        }
    }

    /** Seeded noise on a good message: whatever comes, it is a refusal or a reading, and nothing is recorded. */
    public function test_bad_messages_are_refused_and_record_nothing(): void
    {
        $this->as('tester');
        $good = $this->measured('A-118', 'loom-2');
        $events = StoredEvent::query()->count();
        mt_srand(7);
        $junk = [null, true, -1, 1e308, 'x', "\u{0}", [], ['a' => 1], str_repeat('y', 5000), [[[[[]]]]]];
        $refused = 0;
        foreach (
            [
                null,
                5,
                'text',
                [],
                [[]],
                ['protocol' => 'sartal-instrument'],
                ['protocol' => 'other', 'version' => 1],
            ] as $message
        ) {
            $this->postJson('/api/runs/A-118/message', ['message' => $message])->assertUnprocessable();
        }
        for ($i = 0; $i < 90; $i++) {
            $message = $good;
            $at = &$message;
            for ($depth = mt_rand(1, 5); $depth > 0 && is_array($at) && $at !== []; $depth--) {
                $keys = array_keys($at);
                $at = &$at[$keys[mt_rand(0, count($keys) - 1)]];
            }
            $at = $junk[mt_rand(0, count($junk) - 1)];
            unset($at);
            $answer = $this->postJson('/api/runs/A-118/message', ['message' => $message]);
            self::assertContains($answer->status(), [200, 422], (string) json_encode($message));
            $refused += $answer->status() === 422 ? 1 : 0;
        }
        self::assertGreaterThan(45, $refused);
        self::assertSame($events, StoredEvent::query()->count());
    }

    public function test_a_certifiers_card_comes_in_whole_or_not_at_all_and_once(): void
    {
        $this->as('tester');
        $csv = $this->get('/api/simulators/certifier.csv?runs=C-418,C-419')->assertOk()->getContent();
        self::assertStringContainsString('C-418', (string) $csv);
        $events = StoredEvent::query()->count();
        $this->postJson('/api/tests/card', ['csv' => $csv])
            ->assertOk()
            ->assertJsonCount(2, 'lines')
            ->assertJsonPath('lines.0.verdict', 'passes')
            ->assertJsonPath('recorded', false);
        $bad =
            str_replace(['C-418,1-2', 'C-419,3-6'], ['X-1,1-2', 'C-419,3-9'], (string) $csv)."C-418,1-2,long,,,ok\n";
        $errors = $this->postJson('/api/tests/card', ['csv' => $bad, 'record' => true, 'id' => Str::uuid()->toString()])
            ->assertUnprocessable()
            ->json('errors');
        self::assertCount(3, $errors, 'every bad row is named');
        self::assertSame($events, StoredEvent::query()->count());
        $card = ['csv' => $csv, 'record' => true, 'id' => Str::uuid()->toString(), 'instrument' => 'Certifier 1'];
        $this->postJson('/api/tests/card', $card)->assertOk();
        $this->postJson('/api/tests/card', $card)->assertOk();
        self::assertSame($events + 2, StoredEvent::query()->count());
        $trial = $this->sheet('C-418')['trials'][0];
        self::assertSame(
            ['installed', 'passes', 'Certifier 1'],
            [$trial['stage'], $trial['verdict'], $trial['instrument']],
        );
        self::assertSame(
            $trial['read']['end-to-end map']['read'],
            $trial['read']['end-to-end map']['declared'],
            'its wire map says only that all is well',
        );
        $long = preg_replace('~(C-418,1-2,)[0-9.]+~', '${1}95.5', (string) $csv);
        $this->postJson('/api/tests/card', ['csv' => $long])->assertJsonPath('lines.0.verdict', 'fails');
    }

    public function test_progress_moves_with_every_record(): void
    {
        $before = $this->as('tester')->getJson('/api/tests/progress')->assertOk()->json();
        $this->record('tester', 'A-118', ['reading' => $this->map('A-118')])->assertCreated();
        $after = $this->getJson('/api/tests/progress')->json();
        self::assertNotSame($before['cursor'], $after['cursor']);
        self::assertSame($before['all']['passed'] + 1, $after['all']['passed']);
        self::assertSame(['looms' => [], 'assemblies' => []], $after['mine']);
        $this->as('lead')
            ->postJson('/api/crew/given', ['person' => $this->person('tester')->key, 'kind' => 'loom', 'key' => 'L2'])
            ->assertCreated();
        self::assertSame(['L2'], $this->as('tester')->getJson('/api/tests/progress')->json('mine.looms'));
        self::assertSame(46, $after['all']['passed'] + $after['all']['failed'] + $after['all']['left']);
    }

    public function test_the_trainer_hides_a_fault_counts_what_is_spent_and_shows_the_short_way(): void
    {
        $this->as('bench')->getJson('/api/trainer')->assertOk()->assertJsonPath('exercise', null);
        $training = $this->postJson('/api/trainer', ['run' => 'A-119'])
            ->assertCreated()
            ->json();
        self::assertSame(0, $training['exercise']['opened']);
        self::assertArrayNotHasKey('fault', $training['exercise']);
        $events = StoredEvent::query()->count();
        $this->postJson('/api/trainer/measure', ['method' => 'map'])
            ->assertOk()
            ->assertJsonPath('exercise.minutes', 1);
        $this->postJson('/api/trainer/measure', ['method' => 'map'])
            ->assertOk()
            ->assertJsonPath('exercise.minutes', 1);
        $this->postJson('/api/trainer/measure', ['method' => 'eyes-a'])
            ->assertOk()
            ->assertJsonPath('exercise.opened', 1);
        $this->postJson('/api/trainer/measure', ['method' => 'eyes-b'])->assertUnprocessable();
        $this->postJson('/api/trainer/name', ['fault' => 'nonsense'])->assertUnprocessable();
        // One of them is right: naming each in an exercise of its own would be; here whatever is named ends it.
        $outcome = $this->postJson('/api/trainer/name', ['fault' => $training['choices'][0]['key']])
            ->assertOk()
            ->json();
        self::assertSame($outcome['was'] === $outcome['named'], $outcome['exact']);
        self::assertNotSame([], $outcome['path']);
        self::assertSame('map', $outcome['path'][0]['method']);
        $this->postJson('/api/trainer/measure', ['method' => 'ohms'])->assertUnprocessable();
        self::assertSame($events, StoredEvent::query()->count(), 'nothing is recorded');
    }
}
