<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Formats\FileImporter;
use App\Http\Ahead\AheadPages;
use App\Models\Notice;
use App\Models\Organisation;
use App\Models\StoredEvent;
use App\Telling\Digest;
use App\Telling\Digests;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Sartal\Core\File\InstallationFile;
use Tests\TestCase;

/** What concerns somebody is told them: once, nobody else, and not any longer than it is so. */
final class NoticesTest extends TestCase
{
    /** @return list<array<string, mixed>> */
    private function notices(string $role, string $kind = ''): array
    {
        $all = $this->as($role)
            ->getJson('/api/notices')
            ->assertOk()
            ->json('notices');

        return array_values(
            array_filter($all, static fn (array $each): bool => $kind === '' || $each['kind'] === $kind),
        );
    }

    /** @return list<string> */
    private function words(string $role, string $kind): array
    {
        return array_map(
            static fn (array $each): string => trim($each['by'].' '.$each['words']),
            $this->notices($role, $kind),
        );
    }

    /** @param  array<string, mixed>  $event */
    private function bench(string $role, array $event, string $job = 'A-121'): TestResponse
    {
        return $this->as($role)->postJson(
            '/api/bench/'.$job.'/events',
            $event + ['id' => Str::uuid()->toString(), 'run' => $job],
        );
    }

    private function called(string $role): string
    {
        return $this->person($role)->name;
    }

    /** @param  array<string, mixed>  $event */
    private function tests(string $role, array $event): void
    {
        $this->as($role)
            ->postJson('/api/events', [
                'id' => Str::uuid()->toString(),
                'kind' => 'tested',
                'run' => 'A-118',
                ...$event,
            ])
            ->assertCreated();
    }

    public function test_a_question_reaches_those_named_its_answer_whoever_asked_and_a_repeat_nobody(): void
    {
        $ask = [
            'id' => $id = Str::uuid()->toString(),
            'kind' => 'asked',
            'note' => 'Drain to the shell? @'.$this->called('planner'),
            'asks' => [$this->person('planner')->key],
        ];
        $this->bench('bench', $ask)->assertCreated();
        $this->bench('bench', $ask)->assertOk();
        self::assertSame([$this->called('bench').' asks about A-121'], $this->words('planner', 'asked'));
        self::assertSame([], $this->notices('lead', 'asked'), 'the planner is asked, and can answer');
        self::assertSame([], $this->notices('bench', 'asked'));
        self::assertSame('/bench/A-121', $this->notices('planner', 'asked')[0]['page']);
        self::assertSame(1, $this->as('planner')->getJson('/api/outstanding')->json('notices'));

        $this->bench('lead', ['kind' => 'answered', 'of' => $id, 'note' => 'Yes.'])->assertCreated();
        self::assertTrue($this->notices('planner', 'asked')[0]['over'], 'somebody else has answered');
        self::assertSame(0, $this->as('planner')->getJson('/api/outstanding')->json('notices'));
        $answer = $this->notices('bench', 'answered');
        self::assertSame(['Yes.', false], [$answer[0]['note'], $answer[0]['read']]);
    }

    public function test_a_question_to_nobody_by_name_reaches_whoever_may_answer(): void
    {
        $this->bench('bench', ['kind' => 'asked', 'note' => 'Which boot?'])->assertCreated();
        foreach (['planner' => 1, 'lead' => 1, 'tester' => 0, 'bench2' => 0] as $role => $many) {
            self::assertCount($many, $this->notices($role, 'asked'), $role);
        }
        $stranger = self::newcomer('new@elsewhere.example', Organisation::query()->create(['name' => 'Elsewhere']));
        $this->bench('bench', ['kind' => 'asked', 'note' => 'You?', 'asks' => [$stranger->key]])
            ->assertUnprocessable()
            ->assertSee('not at work here');
    }

    public function test_a_stop_reaches_the_lead_and_whoever_has_the_job_and_is_over_when_it_is_lifted(): void
    {
        $give = ['person' => $this->person('bench2')->key, 'kind' => 'assembly', 'key' => 'A-121'];
        $this->as('lead')
            ->postJson('/api/crew/given', $give)
            ->assertCreated();
        self::assertSame([$this->called('lead').' gives you A-121'], $this->words('bench2', 'given'));
        $this->bench('bench', ['id' => $id = Str::uuid()->toString(), 'kind' => 'held', 'note' => 'wrong cable']);
        $told = [$this->called('bench').' has stopped A-121'];
        self::assertSame($told, $this->words('bench2', 'held'));
        self::assertSame($told, $this->words('lead', 'held'));
        self::assertSame('wrong cable', $this->notices('lead', 'held')[0]['note']);
        $this->bench('lead', ['kind' => 'lifted', 'of' => $id])->assertCreated();
        self::assertSame([true, false], array_column(array_reverse($this->notices('bench2', 'held')), 'over'));
        self::assertSame([$this->called('lead').' lets A-121 go on'], $this->words('bench', 'held'));
    }

    public function test_work_that_goes_to_another_is_told_to_both(): void
    {
        $give = fn (string $role): array => $this->as('lead')
            ->postJson('/api/crew/given', [
                'person' => $this->person($role)->key,
                'kind' => 'assembly',
                'key' => 'M-201',
                'only' => true,
            ])
            ->assertCreated()
            ->json();
        $give('bench');
        $ids = array_column($this->notices('bench'), 'id');
        $this->as('bench')->putJson('/api/notices/read', ['ids' => $ids])->assertOk();
        $second = $give('bench2');
        self::assertSame(
            [$this->called('lead').' gives M-201 to somebody else', $this->called('lead').' gives you M-201'],
            $this->words('bench', 'given'),
        );
        self::assertSame([false, true], array_column($this->notices('bench', 'given'), 'over'));
        // Taken back before it was read: there is nothing to read.
        $this->as('lead')
            ->deleteJson('/api/crew/given/'.$second['id'])
            ->assertOk();
        self::assertSame([true], array_column($this->notices('bench2', 'given'), 'over'));
        $this->as('lead')
            ->postJson('/api/crew/given', ['person' => $this->person('bench2')->key, 'kind' => 'loom', 'key' => 'L1'])
            ->assertCreated();
        self::assertSame($this->called('lead').' gives you loom L1 under-stage', $this->words('bench2', 'given')[0]);
        $third = $give('bench2');
        $last = $this->notices('bench2')[0]['id'];
        $this->as('bench2')->putJson('/api/notices/read', ['upTo' => $last])->assertOk();
        $this->as('lead')
            ->deleteJson('/api/crew/given/'.$third['id'])
            ->assertOk();
        self::assertSame($this->called('lead').' takes M-201 back', $this->words('bench2', 'given')[0]);
        // Shared with somebody, and then theirs alone: whoever loses it is told, though nothing new was given.
        $give('bench');
        $this->as('bench')->putJson('/api/notices/read', ['upTo' => $this->notices('bench')[0]['id']])->assertOk();
        $shared = ['person' => $this->person('bench2')->key, 'kind' => 'assembly', 'key' => 'M-201'];
        $this->as('lead')->postJson('/api/crew/given', $shared)->assertCreated();
        self::assertFalse($give('bench2')['isNew']);
        self::assertSame(
            $this->called('lead').' gives M-201 to somebody else',
            $this->words('bench', 'given')[0],
        );
        self::assertCount(2, array_keys($this->words('bench', 'given'), $this->words('bench', 'given')[0], true));
    }

    public function test_what_is_sent_back_reaches_who_made_it(): void
    {
        $steps = $this->as('bench2')
            ->getJson('/api/bench/A-121')
            ->json('job.steps');
        foreach ($steps as $step) {
            if ($step['task'] === 'inspect') {
                break;
            }
            foreach ($step['pieces'] as $piece) {
                $this->bench('bench2', ['kind' => $step['event'], 'step' => $piece['id']])->assertCreated();
            }
        }
        self::assertSame('inspect', $step['task'] ?? '');
        $this->bench('lead', [
            'kind' => 'reworked',
            'step' => $step['pieces'][0]['id'],
            'remedy' => 'remake',
            'note' => 'dry joint',
        ])->assertCreated();
        $words = $this->called('lead').' sends A-121 back to be put right';
        self::assertSame([$words], $this->words('bench2', 'sent-back'));
        self::assertSame([], $this->notices('bench', 'sent-back'));
    }

    public function test_a_test_that_another_contradicts_is_told_until_somebody_says_which_holds(): void
    {
        $good = [
            'lights' => $this->as('tester')
                ->getJson('/api/runs/A-118/test')
                ->json('expected'),
        ];
        $this->tests('tester', ['reading' => $good]);
        $this->tests('lead', ['reading' => $good]);
        self::assertSame([], $this->notices('tester', 'contradicted'), 'they agree');
        $this->tests('lead', [
            'id' => $fails = Str::uuid()->toString(),
            'reading' => ['lights' => ['t:A-118.a1/2' => []] + $good['lights']],
        ]);
        self::assertSame(
            [$this->called('lead').' tested A-118, and it fails: by your test it passed'],
            $this->words('tester', 'contradicted'),
        );
        self::assertSame('/test/A-118', $this->notices('tester', 'contradicted')[0]['page']);
        $this->tests('lead', ['kind' => 'settled', 'of' => $fails]);
        self::assertSame([false, true], array_column($this->notices('tester', 'contradicted'), 'over'));
        self::assertSame(
            $this->called('lead').' lets another test of A-118 count than yours',
            $this->words('tester', 'contradicted')[0],
        );
    }

    public function test_whoever_did_what_a_change_overtakes_is_told_what_did_it_and_that_it_is_over_once_undone(): void
    {
        $cut = StoredEvent::query()->where('kind', 'cut')->where('run', 'A-114')->firstOrFail();
        $role = (string) strstr((string) DB::table('users')->where('id', $cut->user_id)->value('sign_in'), '@', true);
        // Whoever looks for the first time is told that it is so, and not by whom.
        // Nobody who opens the page waits for all jobs: that is a worker's.
        self::assertSame([], $this->notices($role, 'overtaken'));
        $this->app->make(AheadPages::class)->shared($this->installation);
        self::assertSame('', $this->notices($role, 'overtaken')[0]['by'] ?? '');
        DB::table('notices')->delete();
        $move = $this->as('planner')->postJson(
            '/api/places/amp-rack-1/move',
            ['by' => ['to-amp-rack-1' => '2 m']],
        );
        $move->assertSuccessful();
        $own = $this->notices($role, 'overtaken');
        self::assertCount(1, $own, 'of all their work at once');
        self::assertSame([$this->called('planner'), 'Amplifier rack 1 moved'], [$own[0]['by'], $own[0]['note']]);
        self::assertStringStartsWith('has overtaken your work on A-114', $own[0]['words']);
        self::assertSame([], $this->notices('planner', 'overtaken'), 'who has no work there');
        self::assertSame('/handover/overtaken', $own[0]['page']);
        // Looked at again, or by the worker, nobody is told twice.
        $this->installation->refresh()->update(['weighed' => '']);
        $this->app->make(AheadPages::class)->shared($this->installation->refresh());
        self::assertCount(1, $this->notices($role, 'overtaken'));
        $change = $this->installation->changes()->firstOrFail();
        $undo = $this->as('planner')->postJson('/api/changes/'.$change->id.'/undo');
        $undo->assertSuccessful();
        self::assertSame([true], array_column($this->notices($role, 'overtaken'), 'over'));
    }

    public function test_of_what_came_in_after_a_change_nobody_says_who_overtook_it(): void
    {
        $this->app->make(AheadPages::class)->shared($this->installation);
        DB::table('notices')->delete();
        // As if it had been done without a network, by the plan of before, and came in after the change.
        foreach (StoredEvent::query()->where('run', 'A-114')->get() as $event) {
            $event->update(['definition' => ['received' => '2099-01-01T00:00:00.000000Z'] + $event->definition]);
        }
        $by = ['by' => ['to-amp-rack-1' => '2 m']];
        $this->as('planner')->postJson('/api/places/amp-rack-1/move', $by)->assertSuccessful();
        $cut = StoredEvent::query()->where('kind', 'cut')->where('run', 'A-114')->firstOrFail();
        $role = (string) strstr((string) DB::table('users')->where('id', $cut->user_id)->value('sign_in'), '@', true);
        $this->app->make(AheadPages::class)->shared($this->installation->refresh());
        $told = $this->notices($role, 'overtaken')[0];
        self::assertSame(['', ''], [$told['by'], $told['note']]);
        self::assertStringStartsWith('Your work on A-114', $told['words']);
        self::assertStringEndsWith('does not fit the plan any more', $told['words']);
    }

    public function test_calibration_is_told_to_whoever_measured_with_it_and_is_over_once_it_was_renewed(): void
    {
        $this->travelTo('2026-12-02 08:00');
        $save = function (string $to): void {
            $id = 'meter-new';
            $this->as('tester')
                ->putJson('/api/instruments', [
                    'part' => ['id' => $id, 'name' => 'Meter', 'kind' => 'meter', 'calibratedTo' => $to],
                    ...$this->version('instrument', $id) === 0 ? [] : ['version' => $this->version('instrument', $id)],
                ])
                ->assertSuccessful();
        };
        $save('2027-06-30');
        self::assertSame([], $this->ofMeter('tester'));
        $save('2026-12-10');
        self::assertSame(['2026-12-10', '/test/instruments'], [
            $this->ofMeter('tester')[0]['on'], $this->ofMeter('tester')[0]['page'],
        ]);
        self::assertSame([], $this->ofMeter('bench'), 'those test who test');
        $this->travelTo('2026-12-11 08:00');
        self::assertSame([false, true], array_column($this->ofMeter('tester'), 'over'));
        self::assertStringContainsString('has run out', $this->ofMeter('tester')[0]['words']);
        $save('2027-12-10');
        self::assertSame([true, true], array_column($this->ofMeter('tester'), 'over'));
    }

    /** @return list<array<string, mixed>> */
    private function ofMeter(string $role): array
    {
        return array_values(
            array_filter(
                $this->notices($role, 'calibration'),
                static fn (array $each): bool => str_contains($each['words'], 'Meter'),
            ),
        );
    }

    public function test_everybody_reads_and_mutes_their_own(): void
    {
        $this->bench('bench', ['kind' => 'asked', 'note' => 'Which boot?']);
        $id = $this->notices('planner', 'asked')[0]['id'];
        // Nobody reads for somebody else.
        $this->as('lead')->putJson('/api/notices/read', ['ids' => [$id]])->assertOk();
        self::assertFalse($this->notices('planner', 'asked')[0]['read']);
        $this->as('planner')
            ->putJson('/api/session/notices', ['muted' => ['asked'], 'digest' => false])
            ->assertOk();
        self::assertSame([], $this->notices('planner', 'asked'));
        $this->getJson('/api/outstanding')->assertJsonPath('notices', 0);
        $this->putJson('/api/session/notices', ['muted' => [], 'digest' => true])->assertOk();
        self::assertCount(1, $this->notices('planner', 'asked'), 'it was kept');
        $this->putJson('/api/notices/read', ['ids' => [$id]])->assertJsonPath('unread', 0);
        self::assertTrue($this->notices('planner', 'asked')[0]['read']);
        // What somebody does not want to hear of is not read by whoever reads all.
        $this->bench('bench', ['kind' => 'asked', 'note' => 'And which sleeve?']);
        $this->as('planner')->putJson('/api/session/notices', ['muted' => ['asked'], 'digest' => true]);
        $this->putJson('/api/notices/read', ['upTo' => 1_000_000])->assertJsonPath('unread', 0);
        $this->putJson('/api/session/notices', ['muted' => [], 'digest' => true]);
        $this->getJson('/api/notices')->assertJsonPath('unread', 1);
        $this->putJson('/api/session/notices', ['muted' => ['weather'], 'digest' => true])->assertUnprocessable();
    }

    public function test_what_is_not_read_comes_by_mail_once_where_there_is_a_mailer(): void
    {
        Mail::fake();
        $this->artisan('sartal:digest')->assertFailed();
        config(['mail.default' => 'smtp']);
        $this->artisan('sartal:digest')->assertSuccessful();
        Notice::query()->delete();
        Mail::fake();
        $this->bench('bench', ['kind' => 'asked', 'note' => '<b>Which</b> boot?']);
        $this->as('planner')->putJson('/api/session/notices', ['muted' => [], 'digest' => false]);
        self::assertSame(1, $this->app->make(Digests::class)->send(), 'the planner wants none');
        Mail::assertSent(Digest::class, function (Digest $mail): bool {
            $lead = $this->person('lead');
            $text = $mail->render();

            return $mail->hasTo((string) $lead->sign_in) &&
                $mail->envelope()->subject === $this->installation->name.': one thing for you' &&
                str_contains($text, $this->called('bench').' asks about A-121: <b>Which</b> boot?') &&
                str_contains($text, '/i/'.$this->installation->address.'/notices');
        });
        self::assertSame(0, $this->app->make(Digests::class)->send(), 'each once');
    }

    public function test_what_could_not_be_sent_goes_with_the_next_mail(): void
    {
        // Nobody listens at that port (RFC 6335: 1 is of a service that nobody runs here).
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => 1]);
        $this->bench('bench', ['kind' => 'asked', 'note' => 'Which boot?']);
        self::assertSame(0, $this->app->make(Digests::class)->send());
        self::assertSame(0, Notice::query()->whereNotNull('mailed_at')->count());
        Mail::fake();
        self::assertGreaterThan(0, $this->app->make(Digests::class)->send());
        $lead = (string) $this->person('lead')->sign_in;
        Mail::assertSent(Digest::class, static fn (Digest $mail): bool => $mail->hasTo($lead));
    }

    public function test_who_has_gone_is_told_nothing_and_old_ones_go(): void
    {
        $this->member('planner')->update(['ended_at' => now()]);
        $this->bench('bench', ['kind' => 'asked', 'note' => 'Which boot?']);
        self::assertSame(1, Notice::query()->where('kind', 'asked')->count(), 'the lead alone');
        Notice::query()->update(['created_at' => now()->subDays(91)]);
        $this->app->make(Digests::class)->send();
        self::assertSame(0, Notice::query()->where('kind', 'asked')->count());
    }

    public function test_whom_a_question_names_goes_with_the_file(): void
    {
        $this->bench('bench', [
            'kind' => 'asked',
            'note' => 'You?',
            'asks' => [$planner = $this->person('planner')->key],
        ]);
        $file = $this->as('lead')
            ->get('/api/installation.json')
            ->streamedContent();
        self::assertStringContainsString('"asks"', $file);
        $there = Organisation::query()->create(['name' => 'Elsewhere']);
        $stored = (new FileImporter())->import(InstallationFile::parse($file), $there);
        $event = $stored->events()->where('kind', 'asked')->latest('id')->firstOrFail();
        $named = DB::table('users')->where('key', $event->definition['asks'][0])->first();
        self::assertSame(
            [$there->id, $this->called('planner')],
            [$named->organisation_id ?? null, $named->name ?? null],
            'the same person, as they are known there',
        );
        self::assertNotSame($planner, $named->key ?? null);
        $wrong = (string) preg_replace('~("asks":\s*\[\s*")'.$planner.'~', '$1nobody-here', $file, -1, $count);
        self::assertSame(1, $count);
        $this->expectExceptionMessage('names a person that the file does not hold');
        InstallationFile::parse($wrong);
    }
}
