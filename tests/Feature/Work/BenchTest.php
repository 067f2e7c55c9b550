<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Bench\Jobs;
use App\Formats\FileImporter;
use App\Models\StoredEvent;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Sartal\Core\File\InstallationFile;
use Symfony\Component\Process\Process;
use Tests\TestCase;

final class BenchTest extends TestCase
{
    /** @return list<array<string, mixed>> steps */
    private function steps(string $ids, string $who = 'bench'): array
    {
        return $this->as($who)
            ->getJson('/api/bench/'.$ids)
            ->assertOk()
            ->json('job.steps');
    }

    /** @param  array<string, mixed>  $event */
    private function record(string $ids, array $event, string $who = 'bench'): TestResponse
    {
        return $this->as($who)->postJson(
            '/api/bench/'.$ids.'/events',
            $event + ['id' => Str::uuid()->toString(), 'run' => explode(',', $ids)[0]],
        );
    }

    /**
     * Confirms step by step as long as it is told to.
     *
     * @param  callable(array<string, mixed>): bool  $until
     * @return list<string> ids of operations
     */
    private function work(string $ids, callable $until, string $who = 'bench'): array
    {
        $done = [];
        $standings = $this->as($who)
            ->getJson('/api/bench/'.$ids)
            ->json('state.standings');
        foreach ($this->steps($ids, $who) as $step) {
            if ($until($step)) {
                break;
            }
            foreach ($step['pieces'] as $piece) {
                if (($standings[$piece['id']]['status'] ?? '') !== 'done') {
                    $this->record(
                        $ids,
                        ['kind' => $step['event'], 'run' => $piece['run'], 'step' => $piece['id'], 'took' => 12.5],
                        $who,
                    )->assertCreated();
                    $done[] = $piece['id'];
                }
            }
        }

        return $done;
    }

    private function bead(string $run, string $stage): string
    {
        return collect($this->getJson('/api/runs/'.$run)->json('strand'))->firstWhere('stage', $stage)['state'];
    }

    public function test_a_cable_is_made_from_the_first_step_to_the_last_and_its_beads_fill_by_themselves(): void
    {
        $this->work('A-121', fn (array $step): bool => $step['side'] === 'B' && $step['task'] === 'slide-on');
        self::assertSame(
            ['done', 'done', 'to-do'],
            [$this->bead('A-121', 'cut'), $this->bead('A-121', 'end-a'), $this->bead('A-121', 'end-b')],
        );
        self::assertSame('to-do', $this->bead('A-121', 'look'), 'one end is not both');
        $this->work('A-121', fn (array $step): bool => $step['task'] === 'test');
        self::assertSame(
            ['done', 'done', 'done', 'to-do'],
            [
                $this->bead('A-121', 'end-b'),
                $this->bead('A-121', 'look'),
                $this->bead('A-121', 'label'),
                $this->bead('A-121', 'test'),
            ],
        );
        $line = collect($this->getJson('/api/bench')->json('jobs'))->firstWhere('id', 'A-121');
        self::assertTrue($line['done']);
        self::assertSame($line['count'] - 1, $line['settled']);
    }

    public function test_what_is_taken_back_takes_its_bead_along(): void
    {
        $done = $this->work('A-121', fn (array $step): bool => $step['side'] === 'B');
        self::assertSame('done', $this->bead('A-121', 'end-a'));
        $label = array_pop($done);
        $close = array_pop($done);
        $this->record('A-121', ['kind' => 'taken-back', 'step' => $close])
            ->assertUnprocessable()
            ->assertSee('on top of it');
        $this->record('A-121', ['kind' => 'taken-back', 'step' => $label])->assertCreated();
        self::assertSame('done', $this->bead('A-121', 'end-a'), 'the label is no part of the end');
        $this->record('A-121', ['kind' => 'taken-back', 'step' => $close])->assertCreated();
        self::assertSame('to-do', $this->bead('A-121', 'end-a'));
        $this->record('A-121', ['kind' => 'taken-back', 'step' => $close])
            ->assertUnprocessable()
            ->assertSee('nothing to take back');
        $this->record('A-121', ['kind' => 'closed', 'step' => $close])->assertCreated();
        self::assertSame('done', $this->bead('A-121', 'end-a'));
    }

    public function test_nothing_is_confirmed_before_what_it_needs(): void
    {
        $join = collect($this->steps('A-121'))->firstWhere('task', 'join')['pieces'][0];
        $this->record('A-121', ['kind' => 'contact-joined', 'step' => $join['id']])
            ->assertUnprocessable()
            ->assertSee('First:');
        self::assertSame(0, StoredEvent::query()->where('step', '<>', '')->where('run', 'A-121')->count());
    }

    public function test_the_boot_cannot_be_forgotten_but_it_can_be_left_out_with_a_reason(): void
    {
        $this->work('A-121', fn (array $step): bool => $step['task'] === 'slide-on');
        $boot = collect($this->steps('A-121'))->firstWhere('task', 'slide-on');
        self::assertTrue($boot['unforgiving']);
        $this->record('A-121', ['kind' => 'skipped', 'step' => $boot['pieces'][0]['id'], 'note' => ' '])
            ->assertUnprocessable()
            ->assertSee('Say why');
        $nut = collect($this->steps('A-121'))->where('task', 'slide-on')->values()[1]['pieces'][0];
        $this->record('A-121', ['kind' => 'slid-on', 'step' => $nut['id']])
            ->assertUnprocessable()
            ->assertSee('boot');
        $this->record('A-121', [
            'kind' => 'skipped',
            'step' => $boot['pieces'][0]['id'],
            'note' => 'drawer is empty',
        ])->assertCreated();
        $this->record('A-121', ['kind' => 'slid-on', 'step' => $nut['id']])->assertCreated();
        self::assertSame(
            ['skipped', 'drawer is empty'],
            array_values(
                array_intersect_key(
                    $this->getJson('/api/bench/A-121')->json('state.standings')[$boot['pieces'][0]['id']],
                    ['status' => 0, 'note' => 0],
                ),
            ),
        );
        $history = collect($this->getJson('/api/runs/A-121')->json('history'));
        self::assertSame('drawer is empty', $history->firstWhere('kind', 'skipped')['note'], 'the run shows it too');
    }

    public function test_one_contact_is_recorded_once_whoever_comes_second(): void
    {
        $steps = collect($this->steps('M-201'));
        $standings = $this->getJson('/api/bench/M-201')->json('state.standings');
        self::assertSame('Anselm Quayle-Bright', collect($standings)->last()['by'] ?? '', 'the demo is in hand');
        $piece = collect($steps->where('task', 'join')->where('side', 'B')->first()['pieces'])->first(
            fn (array $each): bool => ! isset($standings[$each['id']]),
        );
        $event = [
            'id' => Str::uuid()->toString(),
            'kind' => 'contact-joined',
            'run' => 'M-201',
            'step' => $piece['id'],
        ];
        $this->record('M-201', $event)->assertCreated()->assertJsonPath('new', true);
        $this->record('M-201', $event)->assertOk()->assertJsonPath('new', false);
        $this->record('M-201', ['id' => Str::uuid()->toString()] + $event, 'bench2')
            ->assertConflict()
            ->assertSee('has done this already');
        self::assertSame(1, StoredEvent::query()->where('step', $piece['id'])->count());
        $this->record(
            'M-201',
            ['kind' => 'flagged', 'step' => $piece['id'], 'flag' => 'extracted', 'run' => 'M-201'],
            'bench2',
        )->assertCreated();
        $this->record('M-201', ['id' => Str::uuid()->toString()] + $event, 'bench2')->assertCreated();
    }

    /**
     * What somebody had before them says whether they may; what two did apart from each other is kept, whoever's
     * arrives first, and is settled by whoever looks at the piece.
     */
    public function test_what_two_did_without_a_network_is_kept_shown_and_settled(): void
    {
        $this->work('A-121', fn (array $step): bool => $step['side'] === 'B');
        $close = collect($this->steps('A-121'))->where('side', 'A')->where('task', 'close')->last()['pieces'][0]['id'];
        $on = $this->getJson('/api/bench/A-121')->json('state.standings')[$close]['on'];
        self::assertCount(1, $on);
        $beads = fn (): int => StoredEvent::query()->where('run', 'A-121')->where('kind', 'joined')->count();
        self::assertSame(1, $beads());
        $at = fn (int $minutes): string => now('UTC')->subMinutes($minutes)->format('Y-m-d\TH:i:s.v\Z');
        // The lead takes it back; without a network two close it again, and neither hears of the other.
        $back = ['id' => Str::uuid()->toString(), 'kind' => 'taken-back', 'step' => $close, 'on' => $on];
        $label = collect($this->steps('A-121'))->where('side', 'A')->where('task', 'label')->last();
        $this->record('A-121', $back + ['at' => $at(9)], 'lead')->assertCreated();
        self::assertSame('to-do', $this->bead('A-121', 'end-a'), json_encode($label, JSON_THROW_ON_ERROR));
        $needs = collect($this->getJson('/api/bench/A-121')->json('job.steps'))->flatMap->pieces->firstWhere(
            'id',
            $close,
        )['needs'];
        $standings = $this->getJson('/api/bench/A-121')->json('state.standings');
        $known = [$back['id'], ...collect($needs)->flatMap(
            fn (array $need): array => $standings[$need[0]]['on'] ?? [],
        )];
        $close_ = ['kind' => 'closed', 'step' => $close, 'on' => $known];
        $this->record('A-121', $close_ + ['at' => $at(3)], 'bench2')->assertCreated();
        self::assertSame('done', $this->bead('A-121', 'end-a'));
        $late = $beads();
        $this->record('A-121', $close_ + ['at' => $at(6)], 'bench')->assertCreated();
        self::assertSame('done', $this->bead('A-121', 'end-a'));
        self::assertSame($late, $beads(), 'the end was made by whoever was first, by the clocks, and by nobody else');
        $state = $this->getJson('/api/bench/A-121')->json('state');
        self::assertSame($this->person('bench')->name, $state['standings'][$close]['by']);
        self::assertSame(['twice'], array_column($state['conflicts'], 'dispute'));
        self::assertSame(
            [$this->person('bench')->name, $this->person('bench2')->name],
            array_column($state['conflicts'][0]['said'], 'by'),
        );
        // Somebody who knows that it is done is told so; who knows that two did it says how it is.
        $one = ['on' => [...$known, $state['standings'][$close]['on'][0]]] + $close_;
        $this->record('A-121', $one, 'lead')->assertConflict();
        $both = ['on' => [...$known, ...array_column($state['conflicts'][0]['said'], 'id')]] + $close_;
        $this->record('A-121', $both, 'lead')->assertCreated();
        self::assertSame([], $this->getJson('/api/bench/A-121')->json('state.conflicts'));
        self::assertSame('done', $this->bead('A-121', 'end-a'));

        // What waits is not judged by what has been done since: it was early by what its person knew, or it was not.
        $this->record('A-121', ['on' => [$back['id']]] + $close_, 'bench2')
            ->assertUnprocessable()
            ->assertSee('First:');
    }

    public function test_people_see_each_other_and_what_the_other_did(): void
    {
        $cursor = $this->as('bench')->getJson('/api/bench/A-121')->json('state.cursor');
        $this->as('bench')
            ->getJson('/api/bench/A-121/since/'.$cursor.'?step=A-121|cut')
            ->assertOk()
            ->assertJsonPath('state', null);
        $this->as('bench2')
            ->getJson('/api/bench/A-121/since/'.$cursor)
            ->assertOk()
            ->assertJsonPath('people.0.step', 'A-121|cut')
            ->assertJsonPath('people.0.name', 'Tove Castellan');
        $present = $this->as('tester')->getJson('/api/present')->assertOk()->json('people');
        self::assertSame([['A-121', 'A-121|cut', 'Tove Castellan']], array_map(
            static fn (array $at): array => [$at['assembly'], $at['step'], $at['name']],
            array_values(array_filter($present, static fn (array $at): bool => $at['step'] !== '')),
        ));
        $this->record('A-121', ['kind' => 'prepared', 'step' => 'A-121|cut'], 'bench2')->assertCreated();
        $seen = $this->as('bench')
            ->getJson('/api/bench/A-121/since/'.$cursor)
            ->assertOk()
            ->json('state');
        self::assertSame('Anselm Quayle-Bright', $seen['standings']['A-121|cut']['by']);
        self::assertGreaterThan($cursor, $seen['cursor']);
    }

    public function test_a_hold_stops_the_job_for_everybody_until_it_is_lifted(): void
    {
        $hold = Str::uuid()->toString();
        $this->record('A-121', ['id' => $hold, 'kind' => 'held', 'note' => 'wrong cable delivered'])->assertCreated();
        $this->record('A-121', ['kind' => 'prepared', 'step' => 'A-121|cut'], 'bench2')
            ->assertConflict()
            ->assertSee('wrong cable delivered');
        $this->record('A-121', ['kind' => 'lifted', 'of' => $hold], 'bench2')
            ->assertUnprocessable()
            ->assertSee('The lead');
        $this->record('A-121', ['kind' => 'lifted', 'of' => $hold], 'lead')->assertCreated();
        $this->record('A-121', ['kind' => 'lifted', 'of' => $hold], 'lead')->assertUnprocessable();
        $this->record('A-121', ['kind' => 'prepared', 'step' => 'A-121|cut'])->assertCreated();
    }

    /**
     * A page that was loaded before the upgrade, or an outbox that was filled by it, names steps as they were named
     * then.
     */
    public function test_a_step_by_the_name_that_an_earlier_version_gave_it_arrives(): void
    {
        $pieces = collect($this->steps('A-121', 'bench'))->flatMap->pieces;
        $strip = $pieces->first(fn (array $piece): bool => str_ends_with($piece['id'], '|make|sheath-off'));
        self::assertIsArray($strip);
        $then = (string) preg_replace('~\|make\|.*~', '|strip|0', $strip['id']);
        $this->record('A-121', ['kind' => 'flagged', 'step' => $then, 'flag' => 'damaged'])->assertCreated();
        self::assertSame('damaged', $this->getJson('/api/bench/A-121')->json('state.standings')[$strip['id']]['flag']);
        $this->record('A-121', [
            'kind' => 'flagged',
            'step' => $then.'0',
            'flag' => 'damaged',
        ])->assertUnprocessable();
    }

    public function test_a_question_hangs_on_its_step_until_the_planner_answers(): void
    {
        $ask = Str::uuid()->toString();
        $this->record('A-121', [
            'id' => $ask,
            'kind' => 'asked',
            'step' => 'A-121|cut',
            'note' => 'Is the drain joined?',
        ])->assertCreated();
        self::assertSame(
            1,
            collect($this->getJson('/api/bench')->json('jobs'))->firstWhere('id', 'A-121')['questions'],
        );
        $this->record('A-121', ['kind' => 'answered', 'of' => $ask, 'note' => 'Yes'], 'bench2')->assertUnprocessable();
        $this->record(
            'A-121',
            ['kind' => 'answered', 'of' => $ask, 'note' => 'To contact 1.'],
            'planner',
        )->assertCreated();
        $this->getJson('/api/bench/A-121')->assertJsonPath('state.questions.0.answer.note', 'To contact 1.');
    }

    public function test_mains_is_confirmed_by_the_licensed_alone(): void
    {
        $job = collect($this->as('bench')->getJson('/api/bench')->json('jobs'))->first(
            fn (array $line): bool => in_array('mains', $line['skills'], true),
        )['id'];
        $this->work($job, fn (array $step): bool => $step['mains'], 'lead');
        $piece = collect($this->steps($job))->first(fn (array $step): bool => $step['mains']);
        $event = ['kind' => $piece['event'], 'run' => $piece['pieces'][0]['run'], 'step' => $piece['pieces'][0]['id']];
        $this->record($job, $event)->assertForbidden()->assertSee('licensed');
        $this->record($job, ['kind' => 'skipped', 'note' => 'later'] + $event)->assertForbidden();
        $this->record($job, $event, 'lead')->assertCreated();
    }

    public function test_who_may_do_what(): void
    {
        foreach (['tester', 'planner'] as $role) {
            $this->as($role)->getJson('/api/bench/A-121')->assertOk();
            $this->record('A-121', ['kind' => 'prepared', 'step' => 'A-121|cut'], $role)->assertUnprocessable();
        }
        $this->record('A-121', ['kind' => 'tested', 'step' => 'A-121|test'])->assertUnprocessable();
        $this->record('A-121', ['kind' => 'signed-off'])
            ->assertUnprocessable()
            ->assertSee('not recorded at the bench');
        $this->record('A-121', ['kind' => 'slid-on', 'step' => 'A-121|cut'])
            ->assertUnprocessable()
            ->assertSee('recorded as');
        $this->record('A-121', ['kind' => 'prepared', 'step' => 'A-121|nothing'])
            ->assertUnprocessable()
            ->assertSee('plan has changed');
        $this->as('bench')
            ->postJson('/api/events', ['id' => Str::uuid()->toString(), 'kind' => 'reworked', 'run' => 'A-121'])
            ->assertUnprocessable();
        $this->getJson('/api/bench/A-999')->assertNotFound();
    }

    public function test_a_contact_that_moves_goes_back_and_the_parts_list_follows(): void
    {
        $steps = collect($this->steps('M-201'))->where('side', 'B');
        $this->work('M-201', fn (array $step): bool => $step['task'] === 'close' && $step['side'] === 'B');
        $inspect = $steps->where('task', 'inspect')->last();
        self::assertContains('contact not home', array_column($inspect['flaws'], 'id'));
        $join = $steps->firstWhere('task', 'join')['pieces'][5];
        $count = fn (): float => (float) collect(
            $this->as('planner')->getJson('/api/parts')->json('lines'),
        )->firstWhere(
            'id',
            'contact-rect-male-fine',
        )['needed']['value'];
        $before = $count();
        $rework = $this->as('bench')
            ->getJson(
                '/api/bench/M-201/rework?step='.
                    urlencode($inspect['pieces'][0]['id']).
                    '&remedy=rework&joint='.
                    urlencode($join['id']),
            )
            ->assertOk()
            ->json();
        self::assertSame(['contact-rect-male-fine' => 1], $rework['scraps']);
        self::assertCount(3, $rework['reopens'], 'the crimp, the contact and the look');
        $this->record('M-201', [
            'kind' => 'reworked',
            'step' => $inspect['pieces'][0]['id'],
            'note' => 'A contact is not home',
            'remedy' => 'rework',
            'joint' => $join['id'],
            'scraps' => ['contact-rect-male-fine' => 9999],
        ])->assertCreated();
        self::assertSame('to-do', $this->getJson('/api/bench/M-201')->json('state.standings')[$join['id']]['status']);
        self::assertSame($before + 1, $count());
    }

    public function test_photos_are_kept_once_and_only_pictures_are(): void
    {
        Storage::fake('local');
        $photo = fn (): UploadedFile => UploadedFile::fake()->image('end.png', 40, 30);
        $send = fn (UploadedFile $file): TestResponse => $this->as('bench')->post(
            '/api/bench/A-121/pictures',
            ['picture' => $file, 'id' => Str::uuid()->toString(), 'run' => 'A-121', 'step' => 'A-121|cut'],
            ['Accept' => 'application/json'],
        );
        $name = $send($photo())->assertCreated()->json('picture');
        $this->get('/api/pictures/'.$name)
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png');
        self::assertSame($name, $this->getJson('/api/bench/A-121')->json('state.pictures.0.picture'));
        $send(UploadedFile::fake()->createWithContent('end.png', '<script>alert(1)</script>'))
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('picture');
        $this->get('/api/pictures/'.str_repeat('0', 64).'.png')->assertNotFound();
    }

    public function test_a_photo_is_seen_where_it_was_uploaded_and_a_refused_one_leaves_nothing(): void
    {
        Storage::fake('local');
        $send = fn (string $step, string $id): TestResponse => $this->as('bench')->post(
            '/api/bench/A-121/pictures',
            [
                'picture' => UploadedFile::fake()->image('end.png', 40, 30),
                'id' => $id,
                'run' => 'A-121',
                'step' => $step,
            ],
            ['Accept' => 'application/json'],
        );
        $send('no such step', Str::uuid()->toString())->assertUnprocessable();
        self::assertSame([], Storage::disk('local')->allFiles());
        self::assertSame(0, DB::table('uploads')->count());
        $name = $send('A-121|cut', $id = Str::uuid()->toString())
            ->assertCreated()
            ->json('picture');
        $send('no such step', Str::uuid()->toString())->assertUnprocessable();
        $this->get('/api/pictures/'.$name)->assertOk();
        // The same id with another picture is no repeat.
        $this->as('bench')
            ->post(
                '/api/bench/A-121/pictures',
                [
                    'picture' => UploadedFile::fake()->image('b.png', 41, 30),
                    'id' => $id,
                    'run' => 'A-121',
                    'step' => 'A-121|cut',
                ],
                ['Accept' => 'application/json'],
            )
            ->assertConflict();
        self::assertSame(['pictures/'.$name], Storage::disk('local')->allFiles());

        // Another installation's record that names it, written by hand or come in with a file, shows nobody anything.
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'elsewhere', 'name' => 'Elsewhere'] + $data['installation'];
        $data['record'][] = [
            'id' => Str::uuid()->toString(),
            'kind' => 'pictured',
            'run' => 'A-121',
            'by' => 'bench@brackwater.example',
            'at' => '2026-03-09T08:00:00Z',
            'received' => '2026-03-09T08:00:00Z',
            'step' => 'A-121|cut',
            'picture' => $name,
        ];
        (new FileImporter())->import(
            InstallationFile::parse(json_encode($data, JSON_THROW_ON_ERROR)),
            self::organisation(),
        );
        $this->as('bench')
            ->of('elsewhere')
            ->postJson('/api/bench/A-121/events', [
                'id' => Str::uuid()->toString(),
                'kind' => 'pictured',
                'run' => 'A-121',
                'step' => 'A-121|cut',
                'picture' => $name,
            ])
            ->assertUnprocessable();
        $this->get('/api/pictures/'.$name)->assertNotFound();
        $this->of('brackwater')
            ->get('/api/pictures/'.$name)
            ->assertOk();
    }

    public function test_alike_cables_are_worked_as_a_batch(): void
    {
        $jobs = collect($this->as('bench')->getJson('/api/bench')->json('jobs'))->where('begun', false);
        $alike = $jobs->groupBy('alike')->first(fn ($group): bool => $group->count() > 1)->pluck('id')->all();
        $ids = implode(',', $alike);
        $steps = $this->steps($ids);
        self::assertCount(count($alike), $steps[0]['pieces']);
        self::assertCount(count($this->steps($alike[0])), $steps);
        foreach ($steps[0]['pieces'] as $piece) {
            $this->record($ids, [
                'kind' => 'prepared',
                'run' => $piece['run'],
                'step' => $piece['id'],
            ])->assertCreated();
        }
        self::assertSame(
            ['done', 'done'],
            array_map(fn (string $run): string => $this->bead($run, 'cut'), array_slice($alike, 0, 2)),
        );
    }

    public function test_a_decision_makes_a_new_traveller_and_what_was_done_by_the_old_one_is_overtaken(): void
    {
        $this->work('A-121', fn (array $step): bool => $step['task'] === 'tin');
        $before = $this->getJson('/api/bench/A-121')->json('state.settled');
        $procedure = $this->as('planner')->getJson('/api/types/procedure/cup-3-pole')->json();
        $definition = $procedure['definition'];
        foreach ($definition['steps'] as $i => $step) {
            if (in_array($step['id'], ['sheath-off', 'foil-off', 'filler-off'], true)) {
                $definition['steps'][$i]['measure']['length'] = '21 mm';
            }
        }
        $this->putJson('/api/types/procedure', [
            'definition' => $definition,
            'version' => $procedure['version'] ?? null,
        ])->assertSuccessful();
        $now = $this->as('bench')->getJson('/api/bench/A-121');
        self::assertLessThan($before, $now->json('state.settled'));
        self::assertContains('overtaken', array_column($now->json('state.standings'), 'status'));
        self::assertSame('21 mm', collect($now->json('job.steps'))->firstWhere('task', 'strip')['pieces'][0]['at']);
    }

    /** The printed traveller, read back by pdftotext, has the steps of the screen in their order. */
    public function test_the_printed_traveller_and_the_screen_agree(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'traveller');
        self::assertIsString($file);
        file_put_contents(
            $file,
            $this->as('bench')
                ->get('/api/bench/M-201/traveller.pdf')
                ->assertOk()
                ->assertHeader('Content-Type', 'application/pdf')
                ->getContent(),
        );
        $process = new Process(['pdftotext', '-layout', $file, '-']);
        $process->mustRun();
        unlink($file);
        $at = 0;
        foreach ($this->steps('M-201') as $step) {
            $found = mb_strpos($process->getOutput(), $step['number'].'.', $at);
            self::assertNotFalse($found, 'step '.$step['number']);
            $text = mb_substr($process->getOutput(), $found, 220);
            self::assertStringContainsString(mb_substr($step['pieces'][0]['words'], 0, 40), $text);
            $at = $found + 3;
        }
    }

    public function test_a_confirmation_asks_the_database_a_few_times_however_large_the_job(): void
    {
        $this->as('bench');
        $this->app->make(Jobs::class)->of($this->installation->refresh(), ['M-201']);
        // What was found on the way is written down before somebody confirms.
        $this->app->terminate();
        $queries = 0;
        \Illuminate\Support\Facades\DB::listen(function () use (&$queries): void {
            $queries++;
        });
        $piece = collect(
            $this->app->make(Jobs::class)->of($this->installation, ['M-201'])->traveller->operations ?? [],
        )->first(fn ($operation): bool => $operation->id === 'M-201|A|on|breakout');
        $this->postJson('/api/bench/M-201/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'slid-on',
            'run' => 'M-201',
            'step' => $piece->id ?? '',
        ])->assertCreated();
        self::assertLessThan(15, $queries);
    }
}
