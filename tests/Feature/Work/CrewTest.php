<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Formats\FileImporter;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Sartal\Core\File\InstallationFile;
use Tests\TestCase;

/** Several installations, several people, one database. */
final class CrewTest extends TestCase
{
    /** What a stranger would write: no catalogue, no record, lengths as they come. */
    private const STRANGER = <<<'JSON'
    {
      "format": "sartal-installation", "version": 1,
      "installation": { "id": "pump-house", "name": "Pump house" },
      "locations": [{ "id": "desk", "name": "Desk" }, { "id": "rack", "name": "Rack" }],
      "ways": [{ "id": "duct", "name": "Duct", "length": "12 ft 6 in" }],
      "circuits": [{ "id": "talk", "name": "Talk", "signal": "analogue" }],
      "fittings": [
        { "id": "plug", "label": "Plug", "connector": "xlr3-female-cable", "location": "desk" },
        { "id": "sock", "label": "Sock", "connector": "xlr3-male-cable", "location": "rack" }
      ],
      "runs": [{
        "id": "one", "code": "T-1", "cable": "pair-foil", "ways": ["duct"], "carries": [{ "circuit": "talk" }],
        "a": { "location": "desk", "tail": "0,5 m", "legs": [{
          "id": "l", "elements": [""],
          "landing": { "fitting": "plug", "plan": "xlr3-female-cable-balanced", "channels": { "": "1" } }
        }] },
        "b": { "location": "rack", "legs": [{
          "id": "l", "elements": [""],
          "landing": { "fitting": "sock", "plan": "xlr3-male-cable-balanced", "channels": { "": "1" } }
        }] }
      }],
      "people": [{ "signIn": "stranger@example.org", "name": "A Stranger", "roles": ["planner"] }]
    }
    JSON;

    public function test_a_file_written_by_a_stranger_comes_in_and_can_be_worked_on(): void
    {
        $this->as('lead')
            ->post(
                '/api/arrivals',
                ['file' => UploadedFile::fake()->createWithContent('pump.json', self::STRANGER)],
                ['Accept' => 'application/json'],
            )
            ->assertStatus(202);
        $this->of('pump-house');
        // 12 ft 6 in is 3.81 m; with 3 % and half a metre of tail 4.4243 m, cut at 4.45 m.
        $rows = $this->getJson('/api/schedule')->assertOk()->json('rows');
        self::assertSame(['T-1', '4450 mm'], [$rows[0]['code'], $rows[0]['cut']]);
        $this->getJson('/api/runs/one/test')->assertOk()->assertJsonCount(4, 'from');
        $this->postJson('/api/runs', [
            'line' => [
                'code' => 'T-2',
                'cable' => 'cat6-utp',
                'signals' => 'network',
                'from' => 'Desk',
                'to' => 'Rack',
                'plans_a' => '8p8c-plug-t568b',
                'plans_b' => '8p8c-plug-t568b',
                'ways' => 'Duct',
            ],
        ])->assertCreated();
        $out = json_decode((string) $this->get('/api/installation.json')->streamedContent(), true);
        self::assertEqualsCanonicalizing(['pair-foil', 'cat6-utp'], array_column($out['catalogue']['cables'], 'id'));
        $this->of('brackwater')->getJson('/api/schedule')->assertJsonCount(46, 'rows');
    }

    public function test_the_same_file_plans_the_same_with_and_without_a_database(): void
    {
        $stored = (new FileImporter())->import(InstallationFile::parse(self::STRANGER), self::organisation());
        $stored->take($this->person('lead'), ['lead']);
        $this->as('lead')->of($stored->key);
        $here = $this->getJson('/api/runs/one')->json();
        $file = (string) tempnam(sys_get_temp_dir(), 'sartal');
        file_put_contents($file, self::STRANGER);
        self::assertSame(0, Artisan::call('sartal:plan', ['file' => $file]));
        $there = json_decode(Artisan::output(), true)['runs'][0];
        unlink($file);
        self::assertSame($here['worked'], $there['cut']);
        self::assertSame(
            array_column($here['ends'][1]['joints'], 'address'),
            array_map(static fn (array $joint): string => explode('/', $joint['to'])[1], $there['ends']['B']['joints']),
        );
    }

    public function test_somebody_of_no_crew_sees_nothing(): void
    {
        $outsider = self::newcomer('out@example.org');
        $this->actingAs($outsider)->getJson('/api/schedule')->assertNotFound();
        $this->getJson('/api/runs/A-114')->assertNotFound();
        $this->getJson('/api/installation.json')->assertNotFound();
        $this->getJson('/api/session')->assertOk()->assertJsonPath('open', null)->assertJsonCount(0, 'installations');
    }

    public function test_somebody_with_no_role_is_kept_out(): void
    {
        $guest = self::newcomer('guest@example.org');
        $this->installation->take($guest, []);
        $this->actingAs($guest)->getJson('/api/schedule')->assertForbidden();
    }

    public function test_one_crews_runs_are_not_anothers(): void
    {
        $stored = (new FileImporter())->import(InstallationFile::parse(self::STRANGER), self::organisation());
        $this->as('tester')->getJson('/api/runs/one')->assertNotFound();
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => 'one',
            'reading' => ['lights' => ['t:plug/1' => []]],
        ])->assertUnprocessable();
        self::assertSame(0, $stored->events()->count());
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function rights(): iterable
    {
        yield 'cut' => ['cut', ['bench', 'installer', 'lead']];
        yield 'joined' => ['joined', ['bench', 'installer', 'lead']];
        yield 'inspected' => ['inspected', ['bench', 'installer', 'lead']];
        yield 'labelled' => ['labelled', ['bench', 'installer', 'lead']];
        yield 'pulled' => ['pulled', ['bench', 'installer', 'lead']];
        yield 'installed' => ['installed', ['bench', 'installer', 'lead']];
        yield 'remade' => ['remade', ['bench', 'installer', 'lead']];
        yield 'signed off' => ['signed-off', ['lead']];
        yield 'withdrawn' => ['withdrawn', ['lead']];
        yield 'tested' => ['tested', ['tester', 'lead']];
    }

    /** @param  list<string>  $allowed */
    #[DataProvider('rights')]
    public function test_who_records_what(string $kind, array $allowed): void
    {
        $reading = $this->as('lead')->getJson('/api/runs/A-119/test')->json('expected');
        foreach (['planner', 'bench', 'installer', 'tester', 'lead'] as $role) {
            $status = $this->as($role)
                ->postJson('/api/events', [
                    'id' => Str::uuid()->toString(),
                    'kind' => $kind,
                    'run' => 'A-119',
                    'side' => 'A',
                    ...$kind === 'tested' ? ['reading' => ['lights' => $reading]] : [],
                ])
                ->getStatusCode();
            self::assertSame(in_array($role, $allowed, true) ? 201 : 403, $status, $role);
        }
        self::assertSame(count($allowed), StoredEvent::query()->where('run', 'A-119')->where('kind', $kind)->count());
    }

    public function test_an_unchanged_schedule_is_not_sent_again_and_a_new_event_is_seen(): void
    {
        $revision = $this->as('bench')->getJson('/api/schedule')->json('revision');
        $this->getJson('/api/schedule?since='.$revision)
            ->assertOk()
            ->assertJsonPath('rows', null);
        $this->postJson('/api/events', ['id' => Str::uuid()->toString(), 'kind' => 'cut', 'run' => 'A-119'])
            ->assertCreated()
            ->assertJsonPath('strand.0.state', 'done');
        $again = $this->getJson('/api/schedule?since='.$revision)->json();
        self::assertSame('done', collect($again['rows'])->firstWhere('code', 'A-119')['strand'][0]['state']);
    }

    public function test_the_clients_clock_and_the_servers_are_both_kept(): void
    {
        $this->as('bench')
            ->postJson('/api/events', [
                'id' => Str::uuid()->toString(),
                'kind' => 'cut',
                'run' => 'A-119',
                'at' => '2026-03-01T10:00:00+02:00',
            ])
            ->assertCreated();
        $stored = StoredEvent::query()->latest('id')->firstOrFail()->definition;
        self::assertSame('2026-03-01T08:00:00.000000Z', $stored['at']);
        self::assertGreaterThan($stored['at'], $stored['received']);
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'cut',
            'run' => 'A-119',
            'at' => 'yesterday',
        ])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'at');
    }

    public function test_an_end_must_be_named_where_an_event_speaks_of_one(): void
    {
        $this->as('bench')
            ->postJson('/api/events', ['id' => Str::uuid()->toString(), 'kind' => 'joined', 'run' => 'A-119'])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'side');
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'danced',
            'run' => 'A-119',
        ])->assertUnprocessable();
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'cut',
            'run' => 'A-119',
            'surprise' => 1,
        ])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'surprise');
    }

    public function test_the_demo_is_loaded_once_and_never_over_anything(): void
    {
        $this->artisan('sartal:demo', ['--if-empty' => true])->assertSuccessful();
        self::assertSame(1, StoredInstallation::query()->count());
        $this->artisan('sartal:demo')->assertFailed();
        $signIns = fn () => $this->artisan('sartal:demo', ['--sign-ins' => true])->assertSuccessful();
        $signIns()->doesntExpectOutputToContain('planner@brackwater.example');
        $this->person('planner')->update(['shown_at_door' => true]);
        $signIns()->expectsOutputToContain('planner@brackwater.example');
    }

    public function test_the_page_is_served_for_every_address_and_the_api_says_what_is_not_there(): void
    {
        $this->withoutVite();
        $this->get('/runs/A-114')->assertOk()->assertSee('id="app"', false)->assertSee('csrf-token', false);
        $this->as('lead')
            ->getJson('/api/nothing-such')
            ->assertNotFound()
            ->assertJsonPath('message', 'There is nothing at this address.');
        $this->getJson('/api/runs/nothing-such')->assertNotFound();
        $this->getJson('/api/runs/nothing-such/test')->assertNotFound();
    }
}
