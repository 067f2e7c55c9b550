<?php

declare(strict_types=1);

namespace Tests\Feature\Later;

use App\Handover\PackDesk;
use App\Handover\Verification;
use App\Models\Pack;
use App\Models\StoredInstallation;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;
use Tests\TestCase;
use ZipArchive;

/** Work on site, service, readiness, packs, templates and the log. */
final class HandoverTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
    }

    /** @param  array<string, mixed>  $more */
    private function did(string $role, string $kind, string $run, array $more = []): TestResponse
    {
        return $this->as($role)->postJson('/api/events', [
            'id' => (string) Str::uuid(),
            'kind' => $kind,
            'run' => $run,
            ...$more,
        ]);
    }

    private function pack(): Pack
    {
        $errand = $this->as('lead')->postJson('/api/packs')->assertStatus(202)->json('id');
        $told = $this->getJson('/api/errands/'.$errand)->assertOk()->json();
        self::assertSame(['done', ''], [$told['state'], $told['problem']]);
        self::assertGreaterThan(10, $told['of'], 'It says what it is at.');
        self::assertSame(['pack' => $this->installation->packs()->firstOrFail()->number], $told['result']);

        return $this->installation->packs()->firstOrFail();
    }

    private function download(Pack $pack): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'pack');
        file_put_contents(
            $path,
            $this->as('lead')
                ->get("/api/packs/{$pack->number}.zip")
                ->assertOk()
                ->streamedContent(),
        );

        return $path;
    }

    public function test_without_a_cable_nothing_is_ready_and_there_is_no_pack(): void
    {
        $new = $this->as('lead')->postJson('/api/installations', ['name' => 'Nothing yet'])->assertCreated();
        $at = '/api/i/'.$new->json('address');
        $this->getJson($at.'/handover')->assertOk()->assertJson(['ready' => false, 'runs' => 0, 'clear' => 0]);
        $refused = $this->postJson($at.'/packs')->assertStatus(422);
        self::assertStringContainsString('no cable is planned', (string) $refused->json('message'));
        self::assertSame([], $this->getJson($at.'/errands')->json('errands'));
    }

    public function test_a_pack_is_in_the_lengths_of_whoever_makes_it(): void
    {
        $this->as('lead')->postJson('/api/packs?units=feet')->assertStatus(202);
        $pdf = PackDesk::disk()->get($this->installation->packs()->firstOrFail()->folder.'/pack.pdf');
        $words = (new Process(['pdftotext', '-layout', '-', '-'], input: $pdf))->mustRun()->getOutput();
        // 27.15 m are 1068.8976 in: 89 ft and 57/64 in to the nearest sixty-fourth.
        self::assertMatchesRegularExpression('~C-420 .* 89 ft 57/64 in~', $words);
        self::assertDoesNotMatchRegularExpression('~[0-9]\.[0-9]+ m\b~', $words);
    }

    public function test_the_installer_s_list_goes_by_way_longest_first_and_keeps_mains_apart(): void
    {
        $site = $this->as('installer')->getJson('/api/site')->assertOk()->json();
        $signal = array_values(array_filter($site['pulls'], static fn (array $pull): bool => ! $pull['mains']));
        $lengths = array_map(static fn (array $pull): float => (float) $pull['length'], $signal);
        $sorted = $lengths;
        rsort($sorted);
        self::assertSame($sorted, $lengths);
        self::assertSame(
            ['P-007'],
            array_merge(
                ...array_column(array_filter($site['pulls'], static fn (array $pull): bool => $pull['mains']), 'runs'),
            ),
        );
        $together = array_values(
            array_filter($signal, static fn (array $pull): bool => in_array('C-418', $pull['runs'], true)),
        )[0];
        self::assertEqualsCanonicalizing(['C-418', 'C-419', 'C-420'], $together['runs']);
        self::assertSame('110 N', $together['tension']['text'], 'four-pair, TIA-568');
        self::assertSame(
            ['paid-out', 'labelled', 'pulled', 'dressed', 'trimmed', 'end-a', 'end-b', 'tested'],
            array_keys($site['runs']['C-418']['steps']),
        );
        self::assertSame('done', $site['runs']['C-418']['steps']['pulled']);
        self::assertSame('to-do', $site['runs']['C-418']['steps']['dressed']);
    }

    public function test_what_is_confirmed_on_site_is_kept_with_how_it_really_lies(): void
    {
        $this->did('tester', 'trimmed', 'C-420')->assertForbidden();
        $this->did('installer', 'dressed', 'C-420')->assertCreated();
        $this->did('installer', 'trimmed', 'C-420', [
            'built' => [
                'length' => '25.4 m',
                'ways' => ['to-floor-box-1', 'floor-duct-n', 'riser-a', 'rack-void', 'to-comms-rack'],
            ],
        ])->assertCreated();
        $run = $this->as('installer')->getJson('/api/site')->json('runs.C-420');
        self::assertSame(['done', 'done'], [$run['steps']['dressed'], $run['steps']['trimmed']]);
        self::assertSame('25400 mm', $run['built']['length']);
        self::assertSame('-1750 mm', $run['built']['difference'], '27.15 m were planned');
        $this->did('installer', 'pulled', 'C-421', ['built' => ['ways' => ['nowhere']]])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('built.ways');
        $this->did('installer', 'labelled', 'C-421', ['built' => ['length' => '1 m']])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('built');
    }

    public function test_a_fault_in_service_is_closed_by_a_repair_and_a_test_that_passes(): void
    {
        $this->did('installer', 'reported', 'A-116')->assertUnprocessable()->assertJsonValidationErrors('note');
        $this->did('installer', 'reported', 'A-116', ['note' => 'Hums when the tide gate moves'])->assertCreated();
        $fault = $this->as('lead')->getJson('/api/service')->assertOk()->json('faults.0');
        self::assertSame(['A-116', 'open'], [$fault['code'], $fault['state']]);
        $this->did('bench', 'repaired', 'A-117', ['note' => 'x', 'of' => $fault['id']])->assertUnprocessable();
        $this->did('bench', 'repaired', 'A-116', [
            'note' => 'Screen joined again at end B',
            'of' => $fault['id'],
        ])->assertCreated();
        self::assertSame('repaired', $this->as('lead')->getJson('/api/service')->json('faults.0.state'));
        self::assertSame(
            'to-do',
            array_column($this->as('planner')->getJson('/api/runs/A-116')->json('strand'), 'state', 'stage')['test'],
            'What was repaired is tested again.',
        );
        $lights = $this->as('tester')->getJson('/api/runs/A-116/test')->assertOk()->json('expected');
        $this->did('tester', 'tested', 'A-116', [
            'stage' => 'installed',
            'instrument' => 'Loom tester 2',
            'reading' => ['lights' => $lights, 'splits' => []],
        ])->assertCreated();
        self::assertSame('closed', $this->as('lead')->getJson('/api/service')->json('faults.0.state'));
    }

    public function test_a_circuit_is_followed_from_either_end_through_every_mating(): void
    {
        $found = $this->as('installer')->getJson('/api/service/circuits?q=split+1')->assertOk()->json('circuits');
        self::assertNotSame([], $found);
        $trace = $this->as('installer')
            ->getJson('/api/service/circuits/'.rawurlencode($found[0]['id']))
            ->assertOk()
            ->json('steps');
        self::assertContains('jumper', array_column($trace, 'kind'), 'over the panel');
        self::assertContains('run', array_column($trace, 'kind'));
        self::assertContains('Split panel', array_column($trace, 'place'));
        $this->as('installer')->getJson('/api/service/circuits/none')->assertNotFound();
    }

    public function test_retests_fall_due_as_the_house_has_it(): void
    {
        $rules = $this->as('planner')->getJson('/api/instruments')->json();
        $this->as('planner')
            ->putJson('/api/testing', [
                'rules' => ['families' => [], 'retestMonths' => 12, 'mainsMonths' => 6],
                'version' => $rules['version'],
            ])
            ->assertOk();
        $service = $this->as('lead')->getJson('/api/service')->assertOk()->json();
        $d031 = array_values(
            array_filter($service['retests'], static fn (array $retest): bool => $retest['codes'] === 'D-031'),
        )[0];
        self::assertSame(['2026-03-09', '2027-03-09', false], [$d031['last'], $d031['due'], $d031['overdue']]);
        self::assertSame(
            6,
            array_values(
                array_filter(
                    $service['retests'],
                    static fn (array $retest): bool => str_contains($retest['codes'], 'P-007'),
                ),
            )[0]['months'],
        );
    }

    public function test_when_what_is_in_service_is_tested_again_is_said_after_a_release_too(): void
    {
        $this->as('lead')->postJson('/api/releases', ['note' => 'built'])->assertStatus(202);
        $months = function (int $all, int $mains): array {
            $rules = $this->as('lead')->getJson('/api/instruments')->json();
            $kept = array_diff_key($rules['rules'], ['retestMonths' => 0, 'mainsMonths' => 0]);
            $this->putJson('/api/testing', [
                'rules' => $kept + ['retestMonths' => $all, 'mainsMonths' => $mains],
                'version' => $rules['version'],
            ])->assertOk();

            return $this->getJson('/api/service')->assertOk()->json('months');
        };
        self::assertSame(['all' => 24, 'mains' => 12], $months(24, 12));
        self::assertSame(['all' => 0, 'mains' => 6], $months(0, 6));
    }

    public function test_readiness_names_everything_that_is_missing_and_where_it_is_mended(): void
    {
        $answer = $this->as('installer')->getJson('/api/handover')->assertOk()->json();
        self::assertFalse($answer['ready']);
        $groups = array_column($answer['groups'], null, 'kind');
        self::assertSame('failed its test', $groups['failed']['words']);
        self::assertSame(['/test/C-442'], array_column($groups['failed']['gaps'], 'path'));
        self::assertSame('/test/instruments', $groups['calibration']['gaps'][0]['path']);
        self::assertContains('A-119', array_column($groups['not-made']['gaps'], 'code'));
        self::assertNotContains(
            'D-031',
            array_column($groups['untested-in-place']['gaps'], 'code'),
            'It was tested in place.',
        );
    }

    public function test_a_pack_holds_everything_and_checks_out_with_sha256sum(): void
    {
        $pack = $this->pack();
        $path = $this->download($pack);
        $folder = sys_get_temp_dir().'/'.basename($path).'-open';
        $zip = new ZipArchive();
        $zip->open($path);
        $zip->extractTo($folder);
        $zip->close();
        foreach (
            [
                'pack.pdf',
                'installation.json',
                'plan.json',
                'schedule.csv',
                'tests.csv',
                'history.csv',
                'exceptions.csv',
                'README.txt',
                'SHA256SUMS',
                'SIGNATURES.json',
            ] as $name
        ) {
            self::assertFileExists($folder.'/'.$name);
        }
        $check = new Process(['sha256sum', '-c', '--strict', 'SHA256SUMS'], $folder);
        self::assertSame(0, $check->run(), $check->getOutput().$check->getErrorOutput());
        self::assertSame(hash_file('sha256', $folder.'/SHA256SUMS'), $pack->digest);

        $text = (new Process(['pdftotext', '-layout', $folder.'/pack.pdf', '-']))->mustRun()->getOutput();
        foreach (
            [
                'Brackwater Tide Station',
                'The schedule as built',
                'Signal paths',
                'Panels',
                'Pinouts',
                'Labels',
                'Certificates',
                'Exceptions',
                'Parts',
                'Hot and cold were exchanged',
                'Sunniva Pryde',
            ] as $words
        ) {
            self::assertStringContainsString($words, $text);
        }
        foreach ($this->as('lead')->getJson('/api/schedule')->json('rows') as $row) {
            self::assertStringContainsString($row['code'], $text);
        }
        // What was handed over reads back as what it was.
        $again = json_decode(
            (string) file_get_contents($folder.'/installation.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
        self::assertCount($this->installation->events()->count(), $again['record']);
    }

    public function test_signatures_stand_for_the_whole_and_a_pack_that_was_tampered_with_is_found_out(): void
    {
        $pack = $this->pack();
        $this->as('installer')
            ->postJson("/api/packs/{$pack->number}/signatures", ['role' => 'installer'])
            ->assertForbidden();
        $this->as('tester')
            ->postJson("/api/packs/{$pack->number}/signatures", ['role' => 'lead'])
            ->assertUnprocessable();
        $this->as('tester')
            ->postJson("/api/packs/{$pack->number}/signatures", ['role' => 'tester'])
            ->assertCreated();
        $written = 0;
        DB::listen(static function (QueryExecuted $query) use (&$written): void {
            $written += (int) str_starts_with($query->sql, 'insert into "events"');
        });
        $signedOff = fn (): int => $this->installation->events()->where('kind', 'signed-off')->count();
        $before = $signedOff();
        $this->as('lead')
            ->postJson("/api/packs/{$pack->number}/signatures", ['role' => 'lead'])
            ->assertCreated();
        self::assertGreaterThan($before + 1, $signedOff(), 'Every cable that is tested.');
        self::assertSame(1, $written, 'One act, however many cables it is for.');
        $this->as('lead')
            ->postJson("/api/packs/{$pack->number}/signatures", ['role' => 'lead'])
            ->assertCreated()
            ->assertJsonCount(2, 'signatures');
        self::assertSame(
            'done',
            array_column($this->as('planner')->getJson('/api/runs/A-116')->json('strand'), 'state', 'stage')['signed'],
        );
        self::assertSame(
            'to-do',
            array_column($this->as('planner')->getJson('/api/runs/C-442')->json('strand'), 'state', 'stage')['signed'],
            'It failed.',
        );

        $path = $this->download($pack->refresh());
        $good = Verification::of($path);
        self::assertSame([], $good->problems);
        self::assertCount(2, $good->signed);
        $this->artisan('sartal:verify', ['pack' => $path])
            ->assertSuccessful()
            ->expectsOutputToContain('Odile Marchetti-Voss');

        $tampered = [
            'a reading' => static fn (array $files): array => [
                'tests.csv' => str_replace('fails', 'passes', $files['tests.csv']),
            ] + $files,
            'a reading and its sum' => static function (array $files): array {
                $files['tests.csv'] = str_replace('fails', 'passes', $files['tests.csv']);
                $files['SHA256SUMS'] = (string) preg_replace(
                    '~^[0-9a-f]{64}(?=  tests\.csv$)~m',
                    hash('sha256', $files['tests.csv']),
                    $files['SHA256SUMS'],
                );

                return $files;
            },
            'a reading, its sum and the whole' => static function (array $files): array {
                $files['tests.csv'] = str_replace('fails', 'passes', $files['tests.csv']);
                $files['SHA256SUMS'] = (string) preg_replace(
                    '~^[0-9a-f]{64}(?=  tests\.csv$)~m',
                    hash('sha256', $files['tests.csv']),
                    $files['SHA256SUMS'],
                );
                $files['SIGNATURES.json'] = (string) preg_replace(
                    '~("whole": ")[0-9a-f]{64}~',
                    '${1}'.hash('sha256', $files['SHA256SUMS']),
                    $files['SIGNATURES.json'],
                );

                return $files;
            },
            'a file too many' => static fn (array $files): array => $files + ['late.csv' => 'x'],
            'a file too few' => static fn (array $files): array => array_diff_key($files, ['history.csv' => 0]),
            'who signed' => static fn (array $files): array => [
                'SIGNATURES.json' => str_replace('Sunniva', 'Somebody', $files['SIGNATURES.json']),
            ] + $files,
            'when it was signed' => static fn (array $files): array => [
                'SIGNATURES.json' => (string) preg_replace('~"at": "20\d\d~', '"at": "2031', $files['SIGNATURES.json']),
            ] + $files,
            'no signatures' => static fn (array $files): array => array_diff_key($files, ['SIGNATURES.json' => 0]),
            'a reading with all that follows from it, and everybody gone who signed' => static function (
                array $files,
            ): array {
                $files['tests.csv'] = str_replace('fails', 'passes', $files['tests.csv']);
                $files['SHA256SUMS'] = (string) preg_replace(
                    '~^[0-9a-f]{64}(?=  tests\.csv$)~m',
                    hash('sha256', $files['tests.csv']),
                    $files['SHA256SUMS'],
                );
                $left = json_decode($files['SIGNATURES.json'], true);
                $files['SIGNATURES.json'] = (string) json_encode(
                    ['whole' => hash('sha256', $files['SHA256SUMS']), 'signatures' => []] + $left,
                );

                return $files;
            },
            'the same, and the seal gone' => static function (array $files): array {
                $left = json_decode($files['SIGNATURES.json'], true);
                unset($left['seal']);
                $files['SIGNATURES.json'] = (string) json_encode(['signatures' => []] + $left);

                return $files;
            },
        ];
        $files = self::read($path);
        foreach ($tampered as $what => $change) {
            self::assertNotSame($files, $change($files), $what.' is no change');
            $other = self::write($change($files));
            self::assertFalse(Verification::of($other)->holds(), $what);
            $this->artisan('sartal:verify', ['pack' => $other])->assertFailed();
        }
        self::assertTrue(Verification::of(self::write($files))->holds());
        // Whole, and nobody's name under it any more: that is said, and is no success.
        $left = json_decode($files['SIGNATURES.json'], true);
        $unsigned = self::write(['SIGNATURES.json' => (string) json_encode(['signatures' => []] + $left)] + $files);
        $this->artisan('sartal:verify', ['pack' => $unsigned])
            ->assertExitCode(2)
            ->expectsOutputToContain('Nobody has signed it');
        // One that a version before made has no seal; who signed it holds it.
        unset($left['seal']);
        $before = self::write(['SIGNATURES.json' => (string) json_encode($left)] + $files);
        self::assertSame([], Verification::of($before)->problems);
        // One whose every file, sum and signature is right, but made with another key.
        self::assertFalse(Verification::of($path, base64_encode(random_bytes(32)))->holds());
    }

    /** @return array<string, string> */
    private static function read(string $path): array
    {
        $zip = new ZipArchive();
        $zip->open($path);
        $files = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();

        return $files;
    }

    /** @param  array<string, string>  $files */
    private static function write(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'pack');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($files as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();

        return $path;
    }

    public function test_the_next_installation_begins_from_this_one_without_what_was_done(): void
    {
        $this->as('bench')
            ->postJson('/api/templates', ['name' => 'Lock gallery', 'key' => 'lock-gallery'])
            ->assertForbidden();
        $this->as('planner')
            ->postJson('/api/templates', ['name' => 'Lock gallery', 'key' => 'Lock Gallery'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('key');
        $this->as('planner')
            ->postJson('/api/templates', ['name' => 'Lock gallery', 'key' => 'brackwater'])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('key');
        $this->as('planner')
            ->postJson('/api/templates', ['name' => 'Lock gallery', 'key' => 'lock-gallery'])
            ->assertCreated();
        $rules = StoredInstallation::query()->where('key', 'lock-gallery')->firstOrFail();
        self::assertSame([0, 0], [$rules->runs()->count(), $rules->events()->count()]);
        self::assertEquals($this->installation->rules, $rules->rules);
        $this->as('planner')
            ->postJson('/api/installations/'.$this->installation->id.'/open')
            ->assertOk();
        $this->as('planner')
            ->of('brackwater')
            ->postJson('/api/templates', ['name' => 'Weir', 'key' => 'weir', 'runs' => true])
            ->assertCreated();
        $all = StoredInstallation::query()->where('key', 'weir')->firstOrFail();
        self::assertSame([46, 0], [$all->runs()->count(), $all->events()->count()]);
        self::assertSame(
            $this->installation->entries()->where('kind', 'way')->count(),
            $all->entries()->where('kind', 'way')->count(),
        );
    }

    public function test_the_lead_finds_who_did_what(): void
    {
        $this->as('planner')->getJson('/api/crew/log')->assertForbidden();
        $this->as('planner')
            ->patchJson('/api/runs/A-119', ['line' => ['note' => 'mind the sluice'], 'version' => 1])
            ->assertOk();
        $log = $this->as('lead')->getJson('/api/crew/log?q=A-119+note')->assertOk()->json();
        self::assertSame(['decided', 'Imre Okafor-Lund'], [$log['rows'][0]['what'], $log['rows'][0]['who']]);
        $tests = $this->as('lead')
            ->getJson('/api/crew/log?what=recorded&who='.$this->person('tester')->key.'&q=fails')
            ->assertOk()
            ->json();
        self::assertSame(
            ['A-114 tested fails', 'C-442 tested fails: Plug at the comms rack looks short'],
            array_reverse(array_column($tests['rows'], 'words')),
        );
        self::assertSame(0, $this->as('lead')->getJson('/api/crew/log?from=2031-01-01')->json('count'));
        $this->as('lead')->getJson('/api/crew/log?from=yesterday')->assertUnprocessable();
        self::assertSame(
            0,
            $this->as('lead')
                ->getJson('/api/crew/log?q='.rawurlencode("100% o'clock"))
                ->assertOk()
                ->json('count'),
        );
    }
}
