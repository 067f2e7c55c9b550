<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Formats\FileImporter;
use App\Models\Organisation;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Rows;
use App\Releases\ReleaseDesk;
use Carbon\Carbon;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\DataProvider;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Tests\Placed;
use Tests\Support\Databases;
use Tests\Support\Unnamed;
use Tests\Witness\Asking;
use Tests\Witness\Differences;
use Tests\Witness\Facts;
use Tests\Witness\Witness;

/** What an earlier version left behind comes up in this one as it was: tests/Witness/README.md. */
final class WitnessTest extends TestCase
{
    use Asking;
    use Facts;
    use Placed;

    private string $uploads;

    private string $database;

    protected function setUp(): void
    {
        parent::setUp();
        $this->database = strval(config('database.connections.pgsql.database'));
        $own = $this->database.'_witness';
        Databases::drop(DB::getPdo(), $own);
        DB::statement(sprintf('create database "%s"', $own));
        $this->uploads = sys_get_temp_dir().'/'.$own.bin2hex(random_bytes(4));
        File::makeDirectory($this->uploads);
        config([
            'database.connections.pgsql.database' => $own,
            'filesystems.disks.local.root' => $this->uploads,
        ]);
        Witness::apart($this->uploads);
        DB::purge();
        $this->lookAt(Witness::LOOKED_AT);
    }

    protected function tearDown(): void
    {
        config(['database.connections.pgsql.database' => $this->database]);
        DB::purge();
        Databases::drop(DB::getPdo(), $this->database.'_witness');
        File::deleteDirectory($this->uploads);
        Carbon::setTestNow();
        CarbonImmutable::setTestNow();
        parent::tearDown();
    }

    private function lookAt(string $moment): void
    {
        Carbon::setTestNow(CarbonImmutable::parse($moment, 'UTC'));
        CarbonImmutable::setTestNow(CarbonImmutable::parse($moment, 'UTC'));
    }

    protected function as(string $role): static
    {
        return $this->actingAs(
            User::query()
                ->where('sign_in', $role.'@brackwater.example')
                ->firstOrFail(),
        );
    }

    /** @return array<string, array{string}> */
    public static function versions(): array
    {
        return ['v1' => ['v1']];
    }

    #[DataProvider('versions')]
    public function test_a_database_of_an_earlier_version_comes_up_as_it_was(string $version): void
    {
        $witness = new Witness($version);
        $witness->restore();
        Artisan::call('migrate', ['--force' => true]);
        $differ = new Differences($version);
        // Of what was written down then, what is asked for these runs now.
        $was = $witness->data('answers.json');
        $answers = array_intersect_key($this->answers($this->sample()), $was);
        self::assertGreaterThan(90, count($answers));
        $then = array_intersect_key($was, $answers);
        self::assertSame([], $differ->between('answers', $then, $answers));
        $this->nothingIsUndone($then, $answers);
        $was = $witness->data('facts.json');
        $outbox = $was['outbox'];
        unset($was['outbox']);
        self::assertSame([], $differ->between('facts', $was, $this->facts()));
        self::assertSame(
            [],
            $differ->between('outbox', $outbox, $this->outbox($witness)),
            'What a device had not sent arrives as it would have then.',
        );
    }

    /**
     * A job that was done is done, one that was begun is begun, and no more of it is overtaken than was.
     *
     * @param  array<int|string, string>  $then
     * @param  array<int|string, string>  $now
     */
    private function nothingIsUndone(array $then, array $now): void
    {
        $of = static fn (string $answer): array => json_decode(explode(' ', $answer, 2)[1], true)['body'] ??
            json_decode(explode(' ', $answer, 2)[1], true);
        $jobs = array_column($of($now['api/bench'])['jobs'], null, 'id');
        $done = 0;
        foreach ($of($then['api/bench'])['jobs'] as $job) {
            $is = $jobs[$job['id']];
            self::assertSame(
                [$job['settled'] > 0, $job['settled'] === $job['count'], $job['done'], $job['begun']],
                [$is['settled'] > 0, $is['settled'] === $is['count'], $is['done'], $is['begun']],
                $job['id'],
            );
            $done += $job['done'] ? 1 : 0;
        }
        self::assertGreaterThan(5, $done);
        $overtaken = static fn (array $state): int => count(array_filter(
            $state['standings'],
            static fn (array $each): bool => $each['status'] === 'overtaken',
        ));
        foreach (preg_grep('~^api/bench/[A-Z]-\d+$~', array_keys($then)) ?: [] as $address) {
            [$was, $is] = [$of($then[$address])['state'], $of($now[$address])['state']];
            self::assertLessThanOrEqual($overtaken($was), $overtaken($is), (string) $address);
            self::assertGreaterThanOrEqual($was['settled'], $is['settled'], (string) $address);
        }
    }

    /**
     * Shapes stay as they were stored: what an earlier version signed, put aside and did is verified, accepted and
     * undone by this one.
     */
    #[DataProvider('versions')]
    public function test_what_it_signed_put_aside_and_did_can_be_signed_accepted_and_undone(string $version): void
    {
        (new Witness($version))->restore();
        Artisan::call('migrate', ['--force' => true]);
        $stored = StoredInstallation::query()->firstOrFail();

        $releases = $stored->releases()->with('user')->get();
        self::assertGreaterThan(1, $releases->count());
        foreach ($releases as $release) {
            self::assertTrue(ReleaseDesk::holds($release, $stored), $release->letter);
        }
        // The pack is what it was, and one more puts a name under it.
        self::assertTrue($this->read('packs/1/check')['holds']);
        $signed = count($this->read('packs')[0]['signatures']);
        $lead = User::query()->where('sign_in', 'lead@brackwater.example')->firstOrFail();
        $stored->take($lead, ['lead', 'tester']);
        $this->as('lead')
            ->postJson('/api/packs/1/signatures', ['role' => 'tester'])
            ->assertCreated();
        self::assertCount($signed + 1, $this->read('packs')[0]['signatures']);
        self::assertTrue($this->read('packs/1/check')['holds']);
        // What was done last is taken back and done again, and everything is where it was.
        $before = $this->decided($stored);
        $last = $stored->changes()->reorder()->orderByDesc('id')->firstOrFail();
        $undone = $this->as('planner')
            ->postJson('/api/changes/'.$last->id.'/undo')
            ->assertCreated()
            ->json();
        self::assertNotSame($before, $this->decided($stored));
        self::assertStringStartsWith('Undone: ', $undone['words']);
        $this->as('planner')
            ->postJson('/api/changes/'.$undone['id'].'/undo')
            ->assertCreated();
        self::assertSame($before, $this->decided($stored));
        // What waited as a draft is made after all, by edits in their stored shape.
        $draft = $stored->drafts()->firstOrFail();
        $edit = $draft->edits[0];
        $this->as('planner')
            ->postJson('/api/drafts/'.$draft->id)
            ->assertCreated();
        self::assertEquals(
            $edit['after'],
            (new Rows($stored->refresh()))->current(DecisionKind::from($edit['kind']), $edit['key']),
        );
        self::assertFalse($stored->drafts()->whereKey($draft->id)->exists());
        // And the next release is signed over shapes of both versions.
        $this->as('planner')
            ->postJson('/api/releases', ['note' => 'by the next version'])
            ->assertStatus(202);
        $newest = $stored->releases()->with('user')->reorder()->orderByDesc('id')->firstOrFail();
        self::assertTrue(ReleaseDesk::holds($newest, $stored->refresh()));
    }

    /** Every row of what is decided, as it is stored. */
    private function decided(StoredInstallation $stored): string
    {
        $rows = fn (string $table): array => DB::table($table)
            ->where('installation_id', $stored->id)
            ->orderBy('key')
            ->get(['key', 'definition'])
            ->all();

        return json_encode(
            [$rows('runs'), $rows('parts'), DB::table('installations')->value('rules')],
            JSON_THROW_ON_ERROR,
        );
    }

    /** With what its connectors named and the recipes themselves where they stood before: nothing of them is lost. */
    private static function asBefore(string $answer): string
    {
        [$status, $text] = explode(' ', $answer, 2);
        $file = json_decode($text, false, 512, JSON_THROW_ON_ERROR);
        $former = $file->catalogue->former;
        foreach ($file->catalogue->connectors as $connector) {
            $named = $former->connectors->{$connector->id} ?? null;
            if (! isset($connector->cable)) {
                continue;
            }
            $cable = [];
            foreach ((array) $connector->cable as $key => $value) {
                $cable[$key === 'procedures' && $named !== null ? 'recipes' : $key] = $key === 'procedures'
                    ? $named ?? $value
                    : $value;
            }
            $connector->cable = (object) $cable;
        }
        $catalogue = [];
        foreach (array_diff_key((array) $file->catalogue, ['former' => true]) as $list => $types) {
            $catalogue += $list === 'procedures' ? ['recipes' => $former->recipes] : [];
            $catalogue[$list] = $types;
        }
        $file->catalogue = (object) $catalogue;
        $flags = JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

        return $status.' '.json_encode($file, JSON_THROW_ON_ERROR | $flags)."\n";
    }

    #[DataProvider('versions')]
    public function test_a_file_of_an_earlier_version_comes_in_and_nothing_of_it_is_overtaken_by_itself(
        string $version,
    ): void {
        $witness = new Witness($version);
        Artisan::call('migrate', ['--force' => true]);
        [, $file] = explode(' ', $witness->get('installation.json'), 2);
        $this->app
            ->make(FileImporter::class)
            ->import(InstallationFile::parse($file), Organisation::query()->create(['name' => 'Brackwater crew']));
        // Whoever came has a sign-in name; a file gives nobody one.
        User::query()->update(['sign_in' => DB::raw('known_as')]);
        $facts = $this->factsOfAFile();
        $was = array_intersect_key($witness->data('facts.json'), $facts);
        self::assertSame([], (new Differences($version))->between('file', $was, $facts));
        self::assertSame(
            '200 '.$file,
            // Beside what it pinned, what makes its ends now; and a question that there was not, answered as usual.
            preg_replace(
                [
                    '~,\n        "procedures": \[.*?\n        \]~s',
                    '~,\n            "coilTie": "none"~',
                    '~,\n            "compositeSleeve": "whole"~',
                ],
                '',
                self::asBefore(Unnamed::file($this->answer('api/installation.json'))),
            ),
            'It goes out byte for byte as it came in, but for what people are called.',
        );
        self::assertSame(1, StoredInstallation::query()->count());
    }
}
