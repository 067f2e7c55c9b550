<?php

declare(strict_types=1);

namespace Tests\Witness;

use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use Carbon\Carbon;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Sartal\Core\Plan\Planning\Suitability;
use Tests\Placed;

/**
 * Makes the witness of one version, by the hands of a crew, through the same
 * requests that browsers send. It is run once per version, by hand, before
 * anything changes: tests/Witness/README.md. Not part of any suite.
 */
final class ComposeWitness extends TestCase
{
    use Asking;
    use Facts;
    use Placed;

    private const FIRST = '2026-11-27 08:00:00';

    private CarbonImmutable $now;

    public function test_compose(): void
    {
        Artisan::call('migrate:fresh', ['--force' => true]);
        Artisan::call('sartal:demo');
        Str::createUuidsUsingSequence(
            array_map(
                static fn (int $n): \Ramsey\Uuid\UuidInterface => \Ramsey\Uuid\Uuid::fromString(
                    sprintf('77777777-0000-4000-8000-%012d', $n),
                ),
                range(1, 20_000),
            ),
        );
        $this->now = CarbonImmutable::parse(self::FIRST, 'UTC');
        $families = $this->families();
        $this->half([...$families, 'P-007', 'A-119', 'M-203', 'M-202']);
        $this->inHand();
        $this->cuts();
        $this->tests();
        $this->letGo();
        self::assertTrue(true);
    }

    protected function setUp(): void
    {
        parent::setUp();
        ini_set('memory_limit', '-1');
        Witness::apart(sys_get_temp_dir().'/sartal-witness-'.bin2hex(random_bytes(4)));
    }

    /** After a browser has left its outbox: the database and the files. */
    public function test_write_down(): void
    {
        $witness = self::witness();
        $witness->dump();
        self::assertFileExists($witness->folder.'/database.sql.gz');
    }

    /** What it is, looked at in an empty database that it has been restored into. */
    public function test_look(): void
    {
        $witness = self::witness();
        $this->now = CarbonImmutable::parse(Witness::LOOKED_AT, 'UTC');
        Artisan::call('db:wipe', ['--force' => true]);
        $witness->restore();
        $witness->put('installation.json', $this->answer('api/installation.json'));
        $witness->putData('answers.json', $this->answers($this->sample()));
        $facts = $this->facts();
        $all = getenv('ALL_ANSWERS');
        if (is_string($all)) {
            $runs = StoredInstallation::query()->firstOrFail()->runs()->pluck('key')->all();
            foreach ($this->addresses($runs) as $address) {
                $line = json_encode(
                    [$address, $this->answer($address)],
                    JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                );
                file_put_contents($all, $line."\n", FILE_APPEND);
            }
        }
        $witness->putData('facts.json', [...$facts, 'outbox' => $this->outbox($witness)]);
        self::assertFileExists($witness->folder.'/facts.json.gz');
    }

    private static function witness(): Witness
    {
        return new Witness(getenv('WITNESS') ?: throw new \LogicException('Say which: WITNESS=v1.'));
    }

    protected function as(string $role): static
    {
        // Work goes on from one record to the next; what is read is read at one moment.
        $this->now = $this->now->format('Y-m-d H:i:s') === Witness::LOOKED_AT ? $this->now : $this->now->addSeconds(7);
        CarbonImmutable::setTestNow($this->now);
        Carbon::setTestNow($this->now);

        return $this->actingAs(
            User::query()
                ->where('sign_in', $role.'@brackwater.example')
                ->firstOrFail(),
        );
    }

    /**
     * One run for each connector that takes a cable, with a cable that fits it without a word. @return list<string>
     * codes
     */
    private function families(): array
    {
        $loaded = app(InstallationStore::class)->load(StoredInstallation::query()->firstOrFail());
        $suitability = new Suitability($loaded->installation);
        $catalogue = $loaded->installation->catalogue;
        $found = [];
        foreach ($catalogue->cables() as $cable) {
            foreach ($catalogue->signals() as $signal) {
                foreach ($suitability->of((string) $cable->id, (string) $signal->id) as $plan => $findings) {
                    $connector = $catalogue->plans()[$plan]->connector;
                    // What a house's own scheme decides would wander with it; one that names its plan stays.
                    $good = count($findings) * 10 + (str_ends_with((string) $plan, '-house') ? 5 : 0);
                    if ($signal->id !== 'mains' && $good < ($found[$connector][0] ?? 1000)) {
                        $found[$connector] = [$good, (string) $cable->id, (string) $signal->id, (string) $plan];
                    }
                }
            }
        }
        ksort($found);
        $codes = [];
        foreach (array_values($found) as $i => [$good, $cable, $signal, $plan]) {
            $code = sprintf('W-%03d', 101 + $i);
            $answer = $this->as('planner')->postJson('/api/runs', [
                'line' => [
                    'code' => $code,
                    'cable' => $cable,
                    'signals' => $signal,
                    'build' => $i % 7 === 6 ? 'site' : 'shop',
                    'from' => 'media-rack',
                    'to' => 'amp-rack-1',
                    'plans_a' => $plan,
                    'plans_b' => $plan,
                    'tail_a' => '1.2',
                    'tail_b' => '0.9',
                    'slack_a' => '0.3',
                    'slack_b' => '0.3',
                    'preparation_a' => '0.04',
                    'preparation_b' => '0.05',
                    'spares_a' => '1',
                    'spares_b' => '1',
                    'leg_a' => '0.35',
                    'leg_b' => '0.35',
                    'loom' => $i % 5 === 0 ? 'L2' : '',
                    'note' => $i === 0 ? 'Ende im Schacht – 3 % länger' : '',
                ],
            ]);
            fwrite(
                STDERR,
                sprintf(
                    "%s %s %s %s %d %s\n",
                    $code,
                    $cable,
                    $signal,
                    $plan,
                    $good,
                    $answer->getStatusCode() === 201 ? '' : $answer->getContent(),
                ),
            );
            if ($answer->getStatusCode() === 201) {
                $codes[] = $code;
            }
        }
        fwrite(
            STDERR,
            'without a run: '.
                implode(' ', array_diff(array_keys($catalogue->connectors()), array_keys($found))).
                "\n",
        );

        return $codes;
    }

    /**
     * Works on each until about half of end A is made; every third goes on into end B.
     *
     * @param  list<string>  $codes
     */
    private function half(array $codes): void
    {
        foreach ($codes as $i => $code) {
            $job = $this->as('lead')->getJson('/api/bench/'.$code);
            if ($job->getStatusCode() !== 200) {
                fwrite(STDERR, $code.' has no job: '.$job->getContent()."\n");

                continue;
            }
            $pieces = [];
            foreach ($job->json('job.steps') as $step) {
                foreach ($step['pieces'] as $piece) {
                    $pieces[] = [$step['event'], $piece, $step['task'], $step['side']];
                }
            }
            $sides = array_count_values(array_map(static fn (array $each): string => $each[3] ?? '-', $pieces));
            $goal = match ($i % 3) {
                0 => intdiv(count($pieces), 4),
                1 => intdiv(count($pieces), 2),
                default => ($sides['A'] ?? 0) + ($sides['-'] ?? 0) + intdiv($sides['B'] ?? 0, 2),
            };
            $goal = min($goal, 90);
            $done = 0;
            foreach ($pieces as [$event, $piece, $task]) {
                if ($done >= $goal || $task === 'test') {
                    break;
                }
                $answer = $this->as($i % 2 === 0 && $code !== 'P-007' ? 'bench' : 'lead')->postJson(
                    '/api/bench/'.$code.'/events',
                    [
                        'id' => Str::uuid()->toString(),
                        'kind' => $event,
                        'run' => $piece['run'],
                        'step' => $piece['id'],
                        'took' => 8.5 + ($done % 5),
                    ],
                );
                if ($answer->getStatusCode() !== 201) {
                    fwrite(STDERR, $code.' '.$piece['id'].': '.$answer->getContent()."\n");
                    break;
                }
                $done++;
            }
            fwrite(STDERR, sprintf("%s %d of %d\n", $code, $done, count($pieces)));
        }
    }

    /** Everything else that a bench says: holds, questions, photos, flags, what is left out and sent back. */
    private function inHand(): void
    {
        $record = fn (string $run, array $event, string $who = 'bench') => $this->as($who)
            ->postJson('/api/bench/'.$run.'/events', ['id' => Str::uuid()->toString(), 'run' => $run, ...$event])
            ->assertSuccessful();
        $record('W-101', ['kind' => 'held', 'note' => 'wrong cable delivered']);
        $ask = Str::uuid()->toString();
        $record('W-102', ['id' => $ask, 'kind' => 'asked', 'note' => 'Is the drain joined?']);
        $record('W-102', ['kind' => 'answered', 'of' => $ask, 'note' => 'No, cut it flush.'], 'planner');
        $record('W-103', ['kind' => 'asked', 'note' => 'Which boot?']);
        $job = $this->as('bench')->getJson('/api/bench/A-121')->assertOk();
        foreach ($job->json('job.steps') as $step) {
            if ($step['task'] === 'slide-on') {
                $record('A-121', [
                    'kind' => 'skipped',
                    'step' => $step['pieces'][0]['id'],
                    'note' => 'drawer is empty',
                ]);
                break;
            }
            foreach ($step['pieces'] as $piece) {
                $record('A-121', ['kind' => $step['event'], 'step' => $piece['id']]);
            }
        }
        $picture = UploadedFile::fake()->image('end.png', 8, 8);
        $this->as('bench')
            ->post(
                '/api/bench/A-121/pictures',
                [
                    'picture' => $picture,
                    'id' => Str::uuid()->toString(),
                    'run' => 'A-121',
                    'step' => 'A-121|cut',
                    'note' => 'end A',
                ],
                ['Accept' => 'application/json'],
            )
            ->assertCreated();
        $standings = $this->as('bench')->getJson('/api/bench/M-201')->json('state.standings');
        $joined = array_key_first(
            array_filter(
                $standings,
                static fn (array $each, string $id): bool => $each['status'] === 'done' && str_contains($id, 'join'),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
        if ($joined !== null) {
            $record('M-201', ['kind' => 'flagged', 'step' => $joined, 'flag' => 'damaged', 'note' => 'bent contact']);
        }
        $this->as('lead')
            ->postJson('/api/crew/given', [
                'user' => User::query()->where('sign_in', 'bench2@brackwater.example')->value('id'),
                'kind' => 'loom',
                'key' => 'L2',
            ])
            ->assertSuccessful();
        $labels = array_slice(
            array_column($this->as('bench')->getJson('/api/labels')->assertOk()->json('labels'), 'id'),
            0,
            40,
        );
        $this->as('bench')
            ->postJson('/api/labels/printed', ['ids' => $labels])
            ->assertOk();
    }

    /** A piece as planned, one longer, one too short, one off a reel with marks. */
    private function cuts(): void
    {
        $cut = fn (string $run, array $made) => $this->as('bench')->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'cut',
            'run' => $run,
            'cut' => $made,
        ]);
        $lines = $this->as('bench')->getJson('/api/cutting')->assertOk()->json('cables');
        $n = 0;
        foreach ($lines as $cable) {
            foreach ($cable['assigned'] as $assigned) {
                foreach (array_slice($assigned['cuts'], 0, 1) as $one) {
                    $length = (float) $one['length'];
                    $by = [0.0, 250.0, -400.0][$n % 3];
                    $reel = in_array($assigned['stock']['kind'], ['reel', 'offcut'], true)
                        ? ['reel' => $assigned['stock']['id']]
                        : [];
                    $answer = $cut($one['run'], ['length' => sprintf('%.1f mm', $length + $by)] + $reel);
                    fwrite(
                        STDERR,
                        sprintf(
                            "cut %s %s %d %s\n",
                            $one['run'],
                            $one['length'],
                            $answer->getStatusCode(),
                            $answer->getStatusCode() < 300 ? '' : $answer->getContent(),
                        ),
                    );
                    $n++;
                }
            }
            if ($n >= 9) {
                break;
            }
        }
        fwrite(STDERR, "cuts: {$n}\n");
    }

    /** Good and bad tests of what is ready, at the bench and in place, settled where two disagree; service. */
    private function tests(): void
    {
        $did = fn (string $who, string $kind, string $run, array $more = []) => $this->as($who)->postJson(
            '/api/events',
            ['id' => Str::uuid()->toString(), 'kind' => $kind, 'run' => $run, ...$more],
        );
        $n = 0;
        foreach ($this->as('tester')->getJson('/api/schedule')->json('rows') as $row) {
            $states = array_column($row['strand'], 'state', 'stage');
            if (
                ($states['end-a'] ?? '') !== 'done' ||
                ($states['end-b'] ?? '') !== 'done' ||
                ($states['test'] ?? '') === 'failed'
            ) {
                continue;
            }
            $sheet = $this->as('tester')
                ->getJson('/api/runs/'.$row['id'].'/test')
                ->assertOk()
                ->json();
            $expected = $sheet['expected'];
            if ($n % 4 === 3) {
                $expected[array_key_first($expected)] = [];
            }
            $answer = $did($n % 2 === 0 ? 'tester' : 'lead', 'tested', $row['id'], [
                'reading' => ['lights' => $expected],
                'instrument' => 'Meter 1',
                'note' => $n % 3 === 0 ? 'cold hall' : '',
            ]);
            fwrite(
                STDERR,
                sprintf(
                    "test %s %d %s\n",
                    $row['id'],
                    $answer->getStatusCode(),
                    substr((string) $answer->getContent(), 0, 200),
                ),
            );
            $n++;
        }
        fwrite(STDERR, "tests: {$n}\n");
        foreach (['A-116', 'A-117'] as $run) {
            $did('installer', 'pulled', $run, ['built' => ['length' => '23.4 m']]);
        }
        $did('lead', 'reported', 'D-031', ['note' => 'crackles in the rain']);
    }

    /** What is released, put aside, overtaken and mended, packed and signed. */
    private function letGo(): void
    {
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'for the bench'])
            ->assertStatus(202);
        $this->as('planner')
            ->postJson(
                '/api/places/amp-rack-1/move',
                ['by' => ['to-amp-rack-1' => '0.5 m']],
                ['Sartal-Intent' => 'accept'],
            )
            ->assertOk();
        $this->as('planner')
            ->patchJson(
                '/api/runs/A-116',
                ['line' => ['code' => 'A-166'], 'version' => 1],
                ['Sartal-Intent' => 'accept'],
            )
            ->assertOk();
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'rack moved'])
            ->assertStatus(202);
        $this->as('planner')
            ->postJson(
                '/api/places/media-rack/move',
                ['by' => $this->firstWay('media-rack')],
                ['Sartal-Intent' => 'park'],
            )
            ->assertStatus(409);
        $overtaken = $this->as('lead')->getJson('/api/overtaken')->assertOk()->json('runs');
        fwrite(STDERR, 'overtaken: '.count($overtaken)."\n");
        foreach (array_slice($overtaken, 0, 9) as $i => $run) {
            $helps = array_filter(
                array_merge(...array_column($run['overtaken'], 'remedies')),
                static fn (array $remedy): bool => in_array($remedy['how'], ['confirm', 'bench'], true),
            );
            $remedy = $i % 4 === 3 ? $run['remake'] : [...array_values($helps), $run['remake']][0];
            $answer = $this->as('lead')->postJson('/api/overtaken/'.$run['id'], [
                'id' => Str::uuid()->toString(),
                'remedy' => $remedy['key'],
            ]);
            fwrite(
                STDERR,
                sprintf(
                    "remedy %s %s %d %s\n",
                    $run['id'],
                    $remedy['key'],
                    $answer->getStatusCode(),
                    $answer->json('message') ?? '',
                ),
            );
        }
        $this->as('lead')->postJson('/api/packs')->assertStatus(202);
        $this->as('tester')
            ->postJson('/api/packs/1/signatures', ['role' => 'tester'])
            ->assertCreated();
        $this->as('lead')
            ->postJson('/api/packs/1/signatures', ['role' => 'lead'])
            ->assertCreated();
        $this->as('planner')
            ->patchJson('/api/runs/A-119', ['line' => ['note' => 'mind the sluice'], 'version' => 1])
            ->assertOk();
        $this->as('planner')
            ->deleteJson(
                '/api/runs/V-406',
                ['version' => $this->as('planner')->getJson('/api/runs/V-406')->json('version')],
                ['Sartal-Intent' => 'accept'],
            )
            ->assertOk();
    }

    /** @return array<string, string> */
    private function firstWay(string $place): array
    {
        return [
            $this->as('planner')
                ->getJson('/api/places/'.$place.'/leeway')
                ->assertOk()
                ->json('lines.0.way') => '1.5 m',
        ];
    }
}
