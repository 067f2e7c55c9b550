<?php

declare(strict_types=1);

namespace Tests\Feature\Ends;

use App\Models\Change;
use App\Planning\InstallationStore;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InstallationFile;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Sheets, house rules, contact plans, own types, equipment: through the door, against PostgreSQL. */
final class TerminationsTest extends TestCase
{
    private function snapshot(): string
    {
        return (string) json_encode(
            FileEncoder::installation((new InstallationStore())->load($this->installation->refresh())->installation),
        );
    }

    private function undo(): void
    {
        $this->as('planner')
            ->postJson('/api/changes/'.Change::query()->latest('id')->firstOrFail()->id.'/undo')
            ->assertCreated();
    }

    public function test_everybody_of_the_crew_reads_a_sheet_and_only_planners_change_what_is_on_it(): void
    {
        foreach (['planner', 'bench', 'installer', 'tester', 'lead'] as $role) {
            $this->as($role)
                ->getJson('/api/runs/A-114/sheet/B')
                ->assertOk()
                ->assertJsonPath('sheet.code', 'A-114')
                ->assertJsonPath('other.side', 'A');
        }
        foreach (
            [
                ['patchJson', '/api/fittings/M-201.b1'],
                ['putJson', '/api/types/plan'],
                ['deleteJson', '/api/types/plan/x'],
                ['postJson', '/api/plans/lay'],
                ['postJson', '/api/rules/preview'],
                ['putJson', '/api/equipment'],
                ['putJson', '/api/matings'],
                ['patchJson', '/api/circuits/x'],
                ['patchJson', '/api/runs'],
                ['postJson', '/api/runs/quick'],
                ['getJson', '/api/fits'],
                ['putJson', '/api/runs/A-114/ends/A/joint'],
            ] as [$verb, $path]
        ) {
            foreach (['bench', 'installer', 'tester'] as $role) {
                $this->as($role)->{$verb}($path)->assertForbidden();
            }
        }
        $this->getJson('/api/runs/A-114/sheet/C')->assertNotFound();
        $this->getJson('/api/runs/nothing/sheet/A')->assertNotFound();
    }

    public function test_moving_the_exit_changes_every_core_length_and_undo_brings_them_back(): void
    {
        $lengths = fn (): array => array_column(
            array_column(
                $this->as('planner')->getJson('/api/runs/M-201/sheet/B')->json('sheet.fittings.0.legs.0.cores'),
                'length',
            ),
            'result',
        );
        $offsets = fn (): array => array_column(
            $this->as('planner')->getJson('/api/runs/M-201/sheet/B')->json('sheet.fittings.0.blocks'),
            'offset',
        );
        $before = $lengths();
        self::assertSame(['0 mm', '6.35 mm', '12.7 mm', '19.05 mm'], $offsets());
        $this->patchJson('/api/fittings/M-201.b1', [
            'version' => $this->version('fitting', 'M-201.b1'),
            'exit' => 'left side',
        ])->assertOk();
        self::assertSame(['19.05 mm', '12.7 mm', '6.35 mm', '0 mm'], $offsets());
        self::assertNotSame($before, $lengths());
        $this->undo();
        self::assertSame($before, $lengths());
        $this->patchJson('/api/fittings/M-201.b1', [
            'version' => $this->version('fitting', 'M-201.b1'),
            'exit' => 'through the roof',
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('exit');
        $this->patchJson('/api/fittings/M-201.b1', [
            'version' => $this->version('fitting', 'M-201.b1'),
            'clocking' => 45,
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('clocking');
        $this->patchJson('/api/fittings/M-201.b1', [
            'version' => $this->version('fitting', 'M-201.b1'),
            'parts' => ['nothing'],
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('parts');
        $this->patchJson('/api/fittings/M-201.b1', [
            'version' => $this->version('fitting', 'M-201.b1'),
            'parts' => ['contact-rect-female'],
        ])->assertOk();
        self::assertStringContainsString(
            'houses male contacts',
            (string) json_encode($this->getJson('/api/runs/M-201')->json('findings')),
        );
    }

    public function test_the_sheet_prints_as_pdf_with_its_text_and_as_svg_that_is_well_formed(): void
    {
        $pdf = $this->as('bench')
            ->get('/api/runs/A-114/sheet/B/sheet.pdf?turn=180&units=inch')
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf')
            ->getContent();
        $text = new Process(['pdftotext', '-layout', '-', '-'], input: $pdf);
        $text->mustRun();
        foreach (
            [
                'A-114',
                'End B',
                'wiring side, turned 180°',
                'Strain-relief nut',
                'Screened pair or star-quad to three solder cups',
                'mark at 20 mm',
                'BK',
                'ventilate',
            ] as $words
        ) {
            self::assertStringContainsString($words, $text->getOutput());
        }
        $svg = $this->get('/api/runs/M-201/sheet/B/sheet.svg?page=2')
            ->assertOk()
            ->assertHeader('Content-Type', 'image/svg+xml')
            ->getContent();
        $xml = simplexml_load_string((string) $svg);
        self::assertNotFalse($xml);
        self::assertSame('210mm', (string) $xml['width']);
        $this->get('/api/runs/M-201/sheet/B/sheet.svg?page=9')->assertNotFound();
        self::assertNotFalse(
            simplexml_load_string(
                (string) $this->get('/api/runs/M-201/sheet/B/strip.svg?fitting=0')->assertOk()->getContent(),
            ),
        );
    }

    public function test_a_name_cannot_break_out_of_a_drawing(): void
    {
        $this->as('planner')
            ->putJson('/api/shared/location', [
                'part' => ['id' => 'tide-model', 'name' => 'Tide "<script>& model'],
                'version' => 1,
            ])
            ->assertOk();
        $svg = (string) $this->get('/api/runs/A-118/sheet/A/sheet.svg')->assertOk()->getContent();
        self::assertStringNotContainsString('<script', $svg);
        self::assertNotFalse(simplexml_load_string($svg));
    }

    public function test_a_mains_end_says_who_may_make_it_and_leads_with_the_marked_terminals(): void
    {
        $sheet = $this->as('bench')->getJson('/api/runs/P-007/sheet/A')->json('sheet');
        self::assertTrue($sheet['mains']);
        self::assertStringContainsString(
            'licensed for it under local code',
            implode(' ', $sheet['fittings'][0]['legs'][0]['cautions']),
        );
        self::assertEqualsCanonicalizing(
            ['marked L', 'marked N', 'marked earth'],
            array_column($sheet['fittings'][0]['legs'][0]['cores'], 'terminal'),
        );
    }

    public function test_a_rule_shows_what_it_changes_before_it_is_saved(): void
    {
        $answer = $this->as('planner')->getJson('/api/rules')->assertOk();
        self::assertCount(16, $answer->json('schools'));
        $rules = ['shell' => 'one-end'] + $answer->json('rules');
        $before = $this->snapshot();
        $preview = $this->postJson('/api/rules/preview', ['rules' => $rules])->assertOk();
        self::assertContains('A-114 B', $preview->json('ends.names'));
        self::assertGreaterThan(0, $preview->json('overtaken.count'));
        self::assertContains('phantom.open', array_column($preview->json('comes'), 'code'));
        self::assertSame($before, $this->snapshot(), 'a preview saves nothing');
        $this->putJson('/api/rules', ['rules' => $rules, 'version' => $answer->json('version')])->assertOk();
        self::assertContains('overtaken', array_column($this->getJson('/api/runs/A-114')->json('strand'), 'state'));
        $this->undo();
        self::assertSame($before, $this->snapshot());
        $this->postJson('/api/rules/preview', ['rules' => ['shell' => 'sometimes'] + $rules])->assertUnprocessable();
    }

    public function test_a_plan_is_laid_checked_compared_saved_and_taken_back(): void
    {
        $laid = $this->as('planner')
            ->postJson('/api/plans/lay', [
                'connector' => 'rect90-male',
                'signal' => 'analogue',
                'channels' => 24,
                'order' => 'columns',
            ])
            ->assertOk()
            ->json('channels');
        self::assertSame(['hot' => 'A1', 'cold' => 'A2', 'screen' => 'A3'], $laid['1']);
        $this->postJson('/api/plans/lay', [
            'connector' => 'rect90-male',
            'signal' => 'analogue',
            'channels' => 40,
            'order' => 'columns',
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('channels');
        $laid['7'] = ['hot' => 'B2', 'cold' => 'B1', 'screen' => 'B3'];
        $definition = [
            'id' => 'own-24',
            'name' => 'Own 24',
            'connector' => 'rect90-male',
            'channels' => $laid,
            'block' => 6,
        ];
        $checked = $this->postJson('/api/plans/check', [
            'definition' => $definition,
            'against' => 'rect90-female-24ch',
        ])->assertOk();
        self::assertSame([], $checked->json('problems'));
        self::assertSame(
            ['B2', 'B1'],
            array_column(
                array_filter($checked->json('pairs'), static fn (array $pair): bool => ! $pair['agrees']),
                'address',
            ),
        );
        $before = $this->snapshot();
        $this->putJson('/api/types/plan', ['definition' => $definition])
            ->assertOk()
            ->assertJsonPath('id', 'own-24');
        $this->putJson('/api/types/plan', ['definition' => $definition])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('id');
        self::assertSame(
            'own',
            collect($this->getJson('/api/types')->json('plan'))->firstWhere('id', 'own-24')['source'],
        );
        self::assertStringContainsString(
            '7,hot,B2',
            (string) $this->get('/api/plans/own-24.csv')->assertOk()->getContent(),
        );
        $this->undo();
        self::assertSame($before, $this->snapshot());
    }

    public function test_a_changed_plan_is_what_the_runs_follow_and_their_work_is_overtaken(): void
    {
        $plan = $this->as('planner')->getJson('/api/types/plan/xlr3-male-cable-balanced')->assertOk();
        self::assertNull($plan->json('version'));
        $definition = $plan->json('definition');
        $definition['channels']['1'] = ['hot' => '3', 'cold' => '2', 'screen' => '1'];
        $preview = $this->postJson('/api/types/plan/preview', ['definition' => $definition])->assertOk();
        self::assertContains('A-114 end-b', $preview->json('overtaken.names'));
        $this->putJson('/api/types/plan', ['definition' => $definition])->assertOk();
        $joints = collect($this->getJson('/api/runs/A-114')->json('ends.1.joints'))->pluck('address', 'function');
        self::assertSame(['3', '2'], [$joints['hot'], $joints['cold']]);
        self::assertSame(1, $this->getJson('/api/types/plan/xlr3-male-cable-balanced')->json('version'));
        $this->putJson('/api/types/plan', ['definition' => $definition, 'version' => 7])->assertConflict();
        // Back to the shipped one: it is in use, and the shipped one takes its place.
        $this->deleteJson('/api/types/plan/xlr3-male-cable-balanced', ['version' => 1])
            ->assertOk()
            ->assertJsonPath('done', 'removed');
        self::assertSame(
            '2',
            collect($this->getJson('/api/runs/A-114')->json('ends.1.joints'))->pluck('address', 'function')['hot'],
        );
    }

    public function test_an_own_type_goes_with_the_file_and_survives_a_newer_catalogue(): void
    {
        $definition = $this->as('planner')->getJson('/api/types/cable/pair-foil')->json('definition');
        $own = ['id' => 'tide-pair', 'name' => 'Tide pair', 'outerDiameter' => '4.4 mm'] + $definition;
        $this->putJson('/api/types/cable', ['definition' => $own])->assertOk();
        $this->postJson('/api/runs', ['line' => self::line(['cable' => 'tide-pair'])])->assertCreated();
        $file = InstallationFile::parse((string) $this->get('/api/installation.json')->assertOk()->streamedContent());
        self::assertSame('4.4 mm', $file->installation->catalogue->cables()['tide-pair']->outerDiameter->canonical());
        // In use: retired, not taken out; still there for those who use it, offered to nobody.
        $this->deleteJson('/api/types/cable/tide-pair', ['version' => 1])
            ->assertOk()
            ->assertJsonPath('done', 'retired');
        self::assertNotContains('tide-pair', array_column($this->getJson('/api/catalogue')->json('cables'), 'id'));
        $this->getJson('/api/runs/A-900')->assertOk()->assertJsonPath('cable', 'Tide pair');
        $bad = $this->putJson('/api/types/cable', [
            'definition' => ['id' => 'x', 'outerDiameter' => 'wide'] + $definition,
        ])
            ->assertUnprocessable()
            ->json('problems');
        self::assertStringContainsString('outerDiameter', implode(' ', array_column($bad, 'path')));
        $this->getJson('/api/types/engine/x')->assertNotFound();
    }

    public function test_a_type_is_drawn_while_it_is_written_and_nothing_is_saved(): void
    {
        $before = $this->snapshot();
        $definition = $this->as('planner')->getJson('/api/types/cable/pair-foil')->assertOk()->json('definition');
        $pair = $definition['construction']['children'][0];
        $definition['construction']['children'] = [$pair, ['key' => 'p2'] + $pair];
        $drawn = $this->postJson('/api/types/cable/draw', ['definition' => $definition])->assertOk()->json();
        self::assertSame(
            ['', 'p1', 'p1/foil', 'p1/a', 'p1/b', 'p1/drain', 'p2', 'p2/foil', 'p2/a', 'p2/b', 'p2/drain'],
            array_column($drawn['face'], 'path'),
        );
        self::assertNotSame([], $drawn['figures']);
        $connector = $this->getJson('/api/types/connector/xlr3-male-cable')->json('definition');
        $connector['cavities'][0]['address'] = 'X';
        $this->postJson('/api/types/connector/draw', ['definition' => $connector])
            ->assertOk()
            ->assertJsonPath('drawing.cavities.0.address', 'X')
            ->assertJsonPath('face', []);
        $connector['cavities'][1]['address'] = 'X';
        $this->postJson('/api/types/connector/draw', ['definition' => $connector])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.value', 'X');
        $this->as('bench')->postJson('/api/types/cable/draw', ['definition' => $definition])->assertForbidden();
        $this->as('planner')->postJson('/api/types/engine/draw', ['definition' => []])->assertNotFound();
        self::assertSame($before, $this->snapshot());
    }

    public function test_a_table_is_read_with_every_bad_row_named(): void
    {
        $good = $this->as('planner')
            ->postJson('/api/plans/table', [
                'table' => "channel\tfunction\tcontact\n1\thot\t2\n1\tcold\t3\n1\tscreen\t1",
            ])
            ->assertOk();
        self::assertSame(['hot' => '2', 'cold' => '3', 'screen' => '1'], $good->json('channels.1'));
        $errors = $this->postJson('/api/plans/table', ['table' => "channel,function,contact\n1,hot,2\n1,hot,3\n1,,4"])
            ->assertUnprocessable()
            ->json('errors.table');
        self::assertCount(2, $errors);
        self::assertStringContainsString('row 3', $errors[0]);
        $this->postJson('/api/plans/table', ['table' => "channel,contact\n1,2"])->assertUnprocessable();
    }

    public function test_equipment_is_added_plugged_and_checked(): void
    {
        $device = [
            'id' => 'preamp',
            'name' => 'Preamplifier',
            'location' => 'amp-rack-1',
            'ports' => [
                [
                    'id' => 'in1',
                    'name' => 'in 1',
                    'connector' => 'xlr3-female-panel',
                    'plan' => 'xlr3-female-panel-balanced',
                    'direction' => 'in',
                    'signal' => 'analogue',
                    'level' => 'line',
                ],
            ],
        ];
        $this->as('planner')
            ->putJson('/api/equipment', ['device' => $device])
            ->assertOk();
        $this->putJson('/api/equipment', ['device' => $device])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('id');
        $this->putJson('/api/equipment', ['device' => ['id' => 'b', 'location' => 'moon'] + $device])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('location');
        $this->putJson('/api/equipment', [
            'device' => ['id' => 'b', 'ports' => [['connector' => 'nothing'] + $device['ports'][0]]] + $device,
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('ports');
        $found = fn (): array => collect($this->getJson('/api/equipment')->json('equipment'))->firstWhere(
            'id',
            'preamp',
        );
        self::assertStringContainsString('1 of 1 ports spare', $found()['findings'][0]['words']);
        self::assertContains('A-118.b1', array_column($found()['ports'][0]['fits'], 'id'));
        self::assertNotContains('V-401.a1', array_column($found()['ports'][0]['fits'], 'id'));
        $before = $this->snapshot();
        $this->putJson('/api/matings', ['port' => 'preamp:in1', 'fitting' => 'A-118.b1', 'was' => null])->assertOk();
        self::assertSame('A-118.b1', $found()['ports'][0]['plugged']);
        $this->deleteJson('/api/equipment/preamp', ['version' => 1])->assertUnprocessable();
        $this->undo();
        self::assertSame($before, $this->snapshot());
        $this->putJson('/api/matings', ['port' => 'preamp:in9', 'fitting' => null, 'was' => null])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('port');
        $this->deleteJson('/api/equipment/preamp', ['version' => 1])->assertOk();
    }

    public function test_a_circuit_says_how_it_is_shared_and_where_it_ends(): void
    {
        $circuits = $this->as('planner')->getJson('/api/runs/D-035')->json('circuits');
        self::assertSame('chain', $circuits[0]['joins']);
        $change = [
            'name' => 'Blinds',
            'topology' => 'point-to-point',
            'from' => '',
            'phantom' => '',
            'terminator' => '',
        ];
        $change += ['version' => 1];
        $this->patchJson('/api/circuits/'.$circuits[0]['id'], $change)->assertOk();
        self::assertStringContainsString(
            'terminated',
            implode(' ', array_column($this->getJson('/api/runs/D-035')->json('findings'), 'words')),
        );
        $this->patchJson(
            '/api/circuits/'.$circuits[0]['id'],
            ['terminator' => 'D-035.b1', 'version' => 2] + $change,
        )->assertOk();
        self::assertSame([], $this->getJson('/api/runs/D-035')->json('findings'));
        $this->patchJson('/api/circuits/'.$circuits[0]['id'], ['terminator' => 'nowhere', 'version' => 3] + $change)
            ->assertUnprocessable()
            ->assertJsonValidationErrors('terminator');
        $this->patchJson('/api/circuits/'.$circuits[0]['id'], ['topology' => 'ring', 'version' => 3] + $change)
            ->assertUnprocessable()
            ->assertJsonValidationErrors('topology');
    }

    public function test_a_joint_made_by_hand_stays_visible_with_its_reason(): void
    {
        $run = $this->as('planner')->getJson('/api/runs/A-118');
        $send = fn (array $body) => $this->putJson(
            '/api/runs/A-118/ends/B/joint',
            $body + ['conductor' => 'p1/a', 'version' => $this->getJson('/api/runs/A-118')->json('version')],
        );
        $send(['to' => 'A-118.b1/3', 'reason' => 'Converter inverts'])->assertOk();
        $joint = collect($this->getJson('/api/runs/A-118')->json('ends.1.joints'))->firstWhere('conductor', 'p1/a');
        self::assertSame(['3', 'Converter inverts'], [$joint['address'], $joint['exception']]);
        self::assertSame(
            'Converter inverts',
            collect($this->getJson('/api/runs/A-118/sheet/B')->json('sheet.fittings.0.legs.0.cores'))->firstWhere(
                'conductor',
                'p1/a',
            )['exception'],
        );
        $send(['to' => null, 'reason' => 'Left open for the lift'])->assertOk();
        self::assertStringContainsString(
            'Left open',
            (string) json_encode($this->getJson('/api/runs/A-118')->json('ends.1.unused')),
        );
        $send(['back' => true])->assertOk();
        self::assertSame($run->json('ends'), $this->getJson('/api/runs/A-118')->json('ends'));
        $send(['to' => 'A-118.b1/9', 'reason' => 'x'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('to');
        $send(['to' => 'A-118.b1/3', 'reason' => ' '])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('reason');
        $send(['conductor' => 'p9/z', 'to' => 'A-118.b1/3', 'reason' => 'x'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('conductor');
        $this->putJson('/api/runs/A-118/ends/B/joint', [
            'conductor' => 'p1/a',
            'to' => null,
            'reason' => 'x',
            'version' => 99,
        ])->assertConflict();
    }

    /** A leg of a composite is measured on the equipment by whoever stands before it, and cut to that. */
    public function test_a_leg_is_measured_on_the_equipment(): void
    {
        $send = fn (string $leg, bool $on, string $measured, string $run = 'P-007') => $this->putJson(
            "/api/runs/{$run}/ends/B/reach",
            [
                'leg' => $leg,
                'onEquipment' => $on,
                'measured' => $measured,
                'version' => $this->getJson('/api/runs/'.$run)->json('version'),
            ],
        );
        $leg = fn (): array => $this->getJson('/api/runs/P-007/sheet/B')->json('sheet.fittings.1.legs.0');
        $step = fn (string $id): ?array => array_values(array_filter(
            $leg()['made']['steps'],
            static fn (array $each): bool => $each['id'] === $id,
        ))[0] ?? null;
        $this->as('bench');
        $send('leg-2', false, '')->assertOk();
        self::assertSame([true, false, null], [$leg()['measurable'], $leg()['onEquipment'], $step('measure')]);
        $send('leg-2', true, '')->assertOk();
        self::assertSame([true, null], [$leg()['onEquipment'], $leg()['measured']]);
        self::assertNotNull($step('measure'));
        // What is not less than what was opened, is no length or is of no such leg is refused, and nothing is kept.
        foreach (['390 mm', '2 m', '0', 'far'] as $wrong) {
            $send('leg-2', true, $wrong)->assertUnprocessable()->assertJsonValidationErrors('measured');
        }
        $send('leg-9', true, '')->assertUnprocessable()->assertJsonValidationErrors('leg');
        $send('leg-1', true, '', 'A-118')->assertUnprocessable()->assertJsonValidationErrors('leg');
        self::assertNull($leg()['measured']);
        $send('leg-2', true, '13 in')->assertOk();
        self::assertSame(['330.2 mm', true], [$leg()['measured'], $leg()['made']['right']]);
        // 410 mm were opened; 330.2 mm and the connector's 20 stay.
        $job = $this->getJson('/api/bench/P-007')->json('job');
        $pieces = array_merge(...array_column($job['steps'], 'pieces'));
        $at = array_column(array_filter(
            $pieces,
            static fn (array $piece): bool => ($piece['picture']['step'] ?? '') === 'leg-cut',
        ), 'at');
        self::assertSame(['350.2 mm'], $at);
        $file = $this->as('planner')->getJson('/api/installation.json')->json('runs');
        $run = array_values(array_filter($file, static fn (array $each): bool => $each['code'] === 'P-007'))[0];
        self::assertSame([true, '330.2 mm'], [
            $run['b']['legs'][1]['onEquipment'],
            $run['b']['legs'][1]['measured'],
        ]);
        self::assertArrayNotHasKey('onEquipment', $run['b']['legs'][0]);
        $this->as('bench');
        $send('leg-2', false, '')->assertOk();
        self::assertSame([false, null, null], [$leg()['onEquipment'], $leg()['measured'], $step('measure')]);
        // Made as for a D-sub nobody measures it: to say so would change nothing.
        $this->as('planner')->putJson('/api/runs/P-007/ends/B/procedure', [
            'legs' => ['leg-2'],
            'procedure' => 'cups-d-sub',
            'version' => $this->getJson('/api/runs/P-007')->json('version'),
        ])->assertOk();
        $send('leg-2', true, '')->assertUnprocessable()->assertJsonValidationErrors('leg');
        $this->as('tester');
        $send('leg-2', true, '')->assertForbidden();
    }

    /** The bench measures while it works from a release: it counts there at once, and so does taking it back. */
    public function test_what_is_measured_counts_for_the_release_that_is_worked_from(): void
    {
        $this->as('lead')->postJson('/api/releases', ['note' => 'for the bench'])->assertStatus(202);
        $send = fn (string $measured) => $this->as('bench')->putJson('/api/runs/P-007/ends/B/reach', [
            'leg' => 'leg-2',
            'onEquipment' => true,
            'measured' => $measured,
            'version' => $this->getJson('/api/runs/P-007')->json('version'),
        ]);
        $cut = function (): array {
            $job = $this->as('bench')->getJson('/api/bench/P-007')->assertOk()->json('job');
            $pieces = array_merge(...array_column($job['steps'], 'pieces'));

            return array_values(array_map(
                static fn (array $piece): ?string => $piece['at'] ?? null,
                array_filter(
                    $pieces,
                    static fn (array $piece): bool => ($piece['picture']['step'] ?? '') === 'leg-cut',
                ),
            ));
        };
        self::assertSame([null], $cut());
        $send('300 mm')->assertOk();
        self::assertSame(['320 mm'], $cut());
        $send('310 mm')->assertOk();
        self::assertSame(['330 mm'], $cut());
        $send('')->assertOk();
        self::assertSame([null], $cut());
        $last = $this->installation->changes()->orderByDesc('id')->firstOrFail();
        $this->as('planner')->postJson('/api/changes/'.$last->id.'/undo')->assertCreated();
        self::assertSame(['330 mm'], $cut());
    }

    public function test_an_end_may_be_made_by_another_procedure(): void
    {
        $before = $this->snapshot();
        $send = fn (string $procedure) => $this->as('planner')->putJson('/api/runs/A-118/ends/B/procedure', [
            'legs' => ['leg-1'],
            'procedure' => $procedure,
            'version' => $this->getJson('/api/runs/A-118')->json('version'),
        ]);
        $by = fn (): string => $this->as('planner')->getJson('/api/runs/A-118/sheet/B')
            ->json('sheet.fittings.0.legs.0.made.id');
        self::assertSame('cup-3-pole', $by());
        $send('cups-5-pole')->assertOk();
        self::assertSame('cups-5-pole', $by());
        $send('by magic')->assertUnprocessable()->assertJsonValidationErrors('procedure');
        // A later edit of the line keeps the choice.
        $this->patchJson('/api/runs/A-118', [
            'line' => ['tail_a' => '2'],
            'version' => $this->getJson('/api/runs/A-118')->json('version'),
        ])->assertOk();
        self::assertSame(
            'cups-5-pole',
            $this->getJson('/api/runs/A-118/sheet/B')->json('sheet.fittings.0.legs.0.chosen'),
        );
        $this->undo();
        $send('')->assertOk();
        self::assertSame(json_decode($before, true)['runs'], json_decode($this->snapshot(), true)['runs']);
    }

    /** @return array<string, array{answer: string, for: string}> question's key → as it holds for one end */
    private function inForce(string $end): array
    {
        $rules = $this->as('planner')->getJson('/api/runs/'.$end)->assertOk()->json('sheet.rules');

        return array_map(
            static fn (array $rule): array => ['answer' => $rule['answer'], 'for' => $rule['for']],
            array_column($rules, null, 'key'),
        );
    }

    public function test_a_loom_and_an_end_answer_otherwise_than_the_house(): void
    {
        $before = $this->snapshot();
        $half = ['answer' => 'the first half, from the tip', 'for' => ''];
        $all = static fn (string $for): array => ['answer' => 'all of it', 'for' => $for];
        $rules = $this->as('planner')->getJson('/api/rules')->assertOk()->json();
        self::assertContains(['of' => 'loom', 'id' => 'L4', 'name' => 'loom L4 gallery'], $rules['groups']);
        $sent = [
            'rules' => ['departures' => [['loom' => 'L4', 'screenTinning' => 'full', 'shell' => 'bonded']]] +
                $rules['rules'],
            'version' => $rules['version'],
        ];
        // What it would do is seen first: shells are bonded in that loom, and nowhere else.
        $ends = $this->postJson('/api/rules/preview', $sent)->assertOk()->json('tests.names');
        self::assertNotSame([], $ends);
        $code = static fn (string $name): string => explode(' ', $name)[0];
        $l4 = ['A-118', 'A-119', 'A-121', 'A-122', 'D-032'];
        self::assertSame([], array_diff(array_map($code, $ends), $l4));
        $this->putJson('/api/rules', $sent)->assertOk();
        self::assertSame($all('loom L4 gallery'), $this->inForce('A-118/sheet/A')['screenTinning']);
        self::assertSame($half, $this->inForce('A-114/sheet/A')['screenTinning']);
        $send = fn (string $question, string $answer) => $this->as('planner')->putJson('/api/runs/A-114/ends/B/rule', [
            'question' => $question,
            'answer' => $answer,
            'version' => $this->getJson('/api/runs/A-114')->json('version'),
        ]);
        $send('screenTinning', 'full')->assertOk();
        self::assertSame($all('this end'), $this->inForce('A-114/sheet/B')['screenTinning']);
        self::assertSame($half, $this->inForce('A-114/sheet/A')['screenTinning']);
        $send('hotColour', 'red')
            ->assertUnprocessable()
            ->assertJsonPath(
                'errors.question.0',
                '"hotColour": This is answered for a cable as a whole. '.
                    'Answer it for the loom, the family or the house.',
            );
        $send('screenTinning', 'some')->assertUnprocessable()->assertJsonValidationErrors('answer');
        $send('no such question', '')->assertUnprocessable()->assertJsonValidationErrors('question');
        // A duplicate and a change of its line keep it.
        $this->patchJson('/api/runs/A-114', [
            'line' => ['tail_a' => '2'],
            'version' => $this->getJson('/api/runs/A-114')->json('version'),
        ])->assertOk();
        self::assertSame($all('this end'), $this->inForce('A-114/sheet/B')['screenTinning']);
        $this->undo();
        $send('screenTinning', '')->assertOk();
        self::assertSame($half, $this->inForce('A-114/sheet/B')['screenTinning']);
        $rules = $this->getJson('/api/rules')->json();
        $house = array_diff_key($rules['rules'], ['departures' => true]);
        $this->putJson('/api/rules', ['rules' => $house, 'version' => $rules['version']])->assertOk();
        self::assertSame($before, $this->snapshot());
    }

    public function test_what_cannot_differ_is_refused_before_it_is_saved(): void
    {
        $rules = $this->as('planner')->getJson('/api/rules')->json();
        $this->putJson('/api/rules', [
            'rules' => ['departures' => [['loom' => 'L4', 'labelTurn' => 'word']]] + $rules['rules'],
            'version' => $rules['version'],
        ])->assertUnprocessable()->assertSee('departures[0].labelTurn')->assertSee('whole installation');
    }
}
