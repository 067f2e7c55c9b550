<?php

declare(strict_types=1);

namespace Tests\Feature\File;

use App\Formats\Csv\CsvCell;
use App\Formats\Csv\CsvWriter;
use App\Formats\FileExporter;
use App\Formats\FileImporter;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use App\Models\User;
use App\Planning\InstallationStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Proof\Record\Record;
use Tests\Support\Unnamed;
use Tests\TestCase;

final class FilesTest extends TestCase
{
    private const HEADER = 'code,cable,signals,from,to,plans_a,plans_b,ways,tail_a';

    private const GOOD = 'X-1,pair-foil,analogue,Lectern,amp-rack-1,xlr3-female-cable-balanced,'.
        'xlr3-male-cable-balanced,riser-a|rack-void,1.5';

    private function send(string $path, string $text, string $name = 'runs.csv'): TestResponse
    {
        return $this->as('planner')->post(
            '/api/'.$path,
            ['file' => UploadedFile::fake()->createWithContent($name, $text)],
            ['Accept' => 'application/json'],
        );
    }

    /** @return array<string, mixed> what became of a file that was sent */
    private function arrived(string $text): array
    {
        $arrival = $this->send('arrivals', $text, 'x.json')->assertStatus(202)->json('id');

        return $this->getJson('/api/arrivals/'.$arrival)->assertOk()->json();
    }

    public function test_two_bad_rows_are_both_named_and_nothing_comes_in(): void
    {
        $csv = implode("\n", [
            self::HEADER,
            self::GOOD,
            str_replace(['X-1', '1.5'], ['X-2', '-4 m'], self::GOOD),
            str_replace(['X-1', 'pair-foil'], ['X-3', 'gold-wire'], self::GOOD),
        ]);
        $runs = StoredRun::query()->count();
        $this->send('import/preview', $csv)->assertOk()->assertJsonCount(0, 'runs')->assertJsonCount(2, 'problems');
        $problems = $this->send('import', $csv)->assertUnprocessable()->json('problems');
        self::assertSame(
            [[3, 'tail_a', '-4 m'], [4, 'cable', 'gold-wire']],
            array_map(static fn (array $each): array => [$each['row'], $each['column'], $each['value']], $problems),
        );
        self::assertSame($runs, StoredRun::query()->count());
    }

    /** @return iterable<string, array{string}> */
    public static function spellings(): iterable
    {
        $csv = self::HEADER."\n".self::GOOD."\n";
        yield 'plain' => [$csv];
        yield 'with a byte order mark' => ["\xEF\xBB\xBF".$csv];
        yield 'semicolons' => [str_replace(',', ';', $csv)];
        yield 'quotes, blank lines and other line ends' => [
            str_replace(['Lectern', "\n"], ['"Lectern"', "\r\n\r\n"], $csv),
        ];
        yield 'a computed column' => [str_replace("\n", ",cut_length\n", self::HEADER."\n").self::GOOD.",9\n"];
    }

    #[DataProvider('spellings')]
    public function test_spellings_of_csv(string $csv): void
    {
        $this->send('import', $csv)->assertCreated()->assertJsonPath('imported', 1);
        self::assertSame(
            'lectern',
            StoredRun::query()->where('code', 'X-1')->firstOrFail()->definition['a']['location'],
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function rubbish(): iterable
    {
        yield 'empty' => ['', 'empty'];
        yield 'header alone' => [self::HEADER, 'no runs'];
        yield 'not UTF-8' => ["code\n\xff\xfe\xff", 'UTF-8'];
        yield 'two columns of one name' => ["code,code\n1,2", 'twice'];
        mt_srand(5);
        yield 'ten megabytes of noise' => [
            str_repeat(implode('', array_map(static fn (): string => chr(mt_rand(0, 255)), range(1, 10_000))), 1000),
            'MB',
        ];
    }

    #[DataProvider('rubbish')]
    public function test_rubbish_is_refused_in_words(string $text, string $says): void
    {
        $message = $this->send('import', $text)->assertUnprocessable()->json('errors.file.0');
        self::assertStringContainsString($says, $message);
    }

    public function test_a_code_twice_in_the_file_or_here_already(): void
    {
        $csv = self::HEADER."\n".self::GOOD."\n".self::GOOD."\n".str_replace('X-1', 'A-114', self::GOOD);
        self::assertSame([3, 4], array_column($this->send('import', $csv)->json('problems'), 'row'));
    }

    public function test_unknown_and_missing_columns_are_named(): void
    {
        $problems = $this->send('import', "code,cabel\nX,Y")->assertUnprocessable()->json('problems');
        self::assertSame(['cabel', 'cable', 'signals', 'from', 'to'], array_column($problems, 'column'));
    }

    #[TestWith(['metric'])]
    #[TestWith(['inch'])]
    #[TestWith(['feet'])]
    public function test_the_exported_schedule_comes_back_in_and_is_the_same(string $units): void
    {
        // One that has an exact length in inches, and one that has none.
        foreach (['A-119' => '3 ft 1 19/64 in', 'V-402' => '0.7 m'] as $run => $tail) {
            $this->as('planner')
                ->patchJson('/api/runs/'.$run, ['line' => ['tail_a' => $tail], 'version' => 1])
                ->assertOk();
        }
        $csv = $this->as('planner')
            ->get('/api/schedule.csv?units='.$units)
            ->assertOk()
            ->assertHeader('Content-Type', 'text/csv; charset=UTF-8')
            ->getContent();
        foreach (['metric' => '0.947340625', 'inch' => '37 19/64 in', 'feet' => '3 ft 1 19/64 in'] as $in => $text) {
            self::assertSame($in === $units, str_contains((string) $csv, $text), $in);
        }
        self::assertStringContainsString(',0.7,', (string) $csv);
        $renamed = (string) preg_replace('~^([A-Z])-(\d+)~m', '$1x-$2', (string) $csv);
        $this->send('import', $renamed)->assertCreated()->assertJsonPath('imported', 46);
        $rows = collect($this->getJson('/api/schedule')->json('rows'))->keyBy('code');
        foreach (['M-201', 'C-418', 'V-402', 'A-119'] as $code) {
            foreach (['cut', 'endA', 'endB', 'from', 'to', 'cable', 'build'] as $field) {
                self::assertSame($rows[$code][$field], $rows[str_replace('-', 'x-', $code)][$field]);
            }
        }
    }

    /** A building with nothing in it yet takes in what another's schedule says, and is wired as that is. */
    public function test_what_joins_runs_comes_back_from_csv_as_it_was(): void
    {
        $demo = InstallationFile::parse(self::demo())->installation;
        $csv = (string) $this->as('planner')->get('/api/schedule.csv')->assertOk()->getContent();
        $empty = ['runs', 'fittings', 'circuits', 'links', 'switches', 'splices', 'matings', 'reels', 'panels'];
        $blank = $demo->named('blank', 'Blank')->changed(array_fill_keys($empty, []));
        $stored = (new FileImporter())->import(new InstallationFile($blank, new Record([]), []), self::organisation());
        Membership::query()->create([
            'installation_id' => $stored->id,
            'user_id' => User::query()->where('sign_in', 'like', 'planner%')->firstOrFail()->id,
            'roles' => [Role::Planner->value],
            'skills' => [],
        ]);
        $this->of('blank')->send('import', $csv)->assertCreated();
        $back = (new InstallationStore())->load($stored->refresh())->installation;
        $wiring = static function (Installation $in): array {
            $found = [];
            foreach ($in->runs() as $run) {
                // A run that was withdrawn comes back as one that is planned.
                $shape = array_diff_key(RunCodec::encode($run), ['withdrawn' => true]);
                $found['run '.$run->id] = (string) json_encode($shape);
            }
            foreach ($in->links() as $link) {
                $found['link '.$link->from.' '.$link->to] = $link->note;
            }
            foreach ($in->switches() as $switch) {
                $found['switch '.$switch->id] = (string) json_encode(FileEncoder::switch($switch));
            }
            $used = array_merge(...array_map(
                static fn (Run $run): array => $run->fittings(),
                array_values($in->runs()),
            ));
            foreach (array_unique($used) as $fitting) {
                $found['fitting '.$fitting] = (string) json_encode(FileEncoder::fitting($in->theFitting($fitting)));
            }
            foreach ($in->circuits() as $circuit) {
                $found['circuit '.$circuit->id] = (string) json_encode(FileEncoder::circuit($circuit));
            }
            ksort($found);

            return $found;
        };
        self::assertSame($wiring($demo), $wiring($back));
        self::assertGreaterThan(3, count(array_filter(
            $back->runs(),
            static fn (Run $run): bool => in_array('MOD-1', $run->fittings(), true),
        )));
    }

    public function test_a_row_and_what_joins_it_have_to_agree(): void
    {
        $csv = (string) $this->as('planner')->get('/api/schedule.csv')->assertOk()->getContent();
        $rows = str_getcsv(explode("\n", $csv)[0], ',', '"', '');
        $at = (int) array_search('joined', $rows, true);
        $lines = array_map(
            static fn (string $line): array => str_getcsv($line, ',', '"', ''),
            array_filter(explode("\n", trim($csv))),
        );
        $line = array_values(array_filter($lines, static fn (array $cells): bool => $cells[0] === 'V-407'))[0];
        self::assertNotSame('', $line[$at]);
        $write = static fn (array $cells): string => CsvWriter::write($rows, [$cells]);
        $other = $line;
        $other[0] = 'V-990';
        $other[(int) array_search('plans_a', $rows, true)] = 'bnc75-plug-captive-video';
        $problems = $this->send('import', $write($other))->assertUnprocessable()->json('problems');
        self::assertSame([['joined', 'V-407']], array_map(
            static fn (array $each): array => [$each['column'], $each['value']],
            $problems,
        ));
        $broken = ['joined' => '{"run":{"id":"x"}}'];
        $other = $line;
        $other[0] = 'V-991';
        $other[$at] = $broken['joined'];
        $this->send('import', $write($other))->assertUnprocessable()->assertJsonPath('problems.0.column', 'joined');
        // Alone, it comes into the block that is there and that others come to.
        $other = $line;
        $other[0] = 'V-992';
        $this->send('import', $write($other))->assertCreated();
        $run = StoredRun::query()->where('code', 'V-992')->firstOrFail();
        self::assertSame('MOD-1', $run->definition['b']['legs'][0]['landing']['fitting']);
        self::assertNotSame('V-407.a1', $run->definition['a']['legs'][0]['landing']['fitting']);
    }

    public function test_cells_that_a_spreadsheet_would_take_for_a_formula_are_guarded_and_come_back(): void
    {
        foreach (['=1+1', '+4', '-2', '@x', "'=x", 'plain', "it's", "''", ''] as $text) {
            self::assertSame($text, CsvCell::unguarded(CsvCell::guarded($text)));
            self::assertDoesNotMatchRegularExpression('~^[=+@-]~', CsvCell::guarded($text));
        }
        $this->as('planner')
            ->patchJson('/api/runs/A-118', ['line' => ['note' => '=HYPERLINK("x")'], 'version' => 1])
            ->assertOk();
        self::assertStringContainsString("'=HYPERLINK", (string) $this->get('/api/schedule.csv')->getContent());
        $this->send('import', self::HEADER."\n".str_replace('X-1', '=1+1', self::GOOD))
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.column', 'code');
    }

    public function test_the_installation_leaves_and_comes_back_with_nothing_lost(): void
    {
        $out = (string) $this->as('lead')->get('/api/installation.json')->assertOk()->streamedContent();
        self::assertSame(self::demo(), Unnamed::file($out));
        self::assertStringNotContainsString('password', $out);
        $this->installation->delete();
        $again = (new FileImporter())->import(InstallationFile::parse($out), self::organisation());
        self::assertTrue($again->memberships()->where('user_id', $this->person('lead')->id)->exists());
        self::assertSame($out, $this->as('lead')->get('/api/installation.json')->streamedContent());
    }

    public function test_a_record_that_came_in_otherwise_than_it_was_done_is_the_same_in_a_file(): void
    {
        $last = (int) $this->installation->events()->toBase()->reorder()->max('id');
        for ($i = 1; $i < 9; $i++) {
            $id = '00000000-0000-4000-8000-00000000000'.$i;
            $this->as('lead')
                ->postJson('/api/events', ['id' => $id, 'kind' => 'labelled', 'run' => 'C-44'.(1 + $i % 3)])
                ->assertCreated();
            // What a device sends late comes after what was done after it.
            DB::table('events')->where('uuid', $id)->update(['id' => $last + 100 - $i]);
        }
        $all = (new FileExporter(new InstallationStore()))
            ->export((new InstallationStore())->load($this->installation->refresh()));
        $out = (string) $this->as('lead')->get('/api/installation.json')->streamedContent();
        self::assertNotSame($all->print(), $out);
        self::assertSame($all->print(), InstallationFile::parse($out)->print());
    }

    public function test_an_installation_that_is_here_already_or_broken_stays_out_whole(): void
    {
        $count = [StoredInstallation::query()->count(), StoredRun::query()->count(), User::query()->count()];
        $here = $this->arrived(self::demo());
        self::assertSame(['failed', 'installation.id'], [$here['state'], $here['problems'][0]['path']]);
        $data = json_decode(self::demo(), true);
        $data['installation']['id'] = 'second';
        $data['runs'][5]['code'] = $data['runs'][4]['code'];
        $data['people'][] = ['signIn' => 'new', 'name' => 'New', 'roles' => ['emperor']];
        $broken = $this->arrived((string) json_encode($data));
        self::assertSame('failed', $broken['state']);
        self::assertSame(['runs[5].code', 'people[6].roles'], array_column($broken['problems'], 'path'));
        self::assertStringContainsString('runs[5].code', $broken['problem']);
        self::assertSame($count, [
            StoredInstallation::query()->count(),
            StoredRun::query()->count(),
            User::query()->count(),
        ]);
    }

    public function test_a_file_gives_nobody_more_rights(): void
    {
        $data = json_decode(self::demo(), true);
        $data['installation']['id'] = 'second';
        $data['people'][1]['roles'] = ['lead'];
        self::assertSame('done', $this->arrived((string) json_encode($data))['state']);
        self::assertSame(['bench'], $this->member('bench')->roles);
        self::assertSame([], $this->person('bench')->offices);
    }

    public function test_a_new_run_pins_the_types_that_it_uses(): void
    {
        self::assertNotContains('trs-balanced', array_column($this->installation->catalogue['plans'], 'id'));
        $this->as('planner')
            ->postJson('/api/runs', ['line' => self::line(['plans_a' => 'trs-balanced'])])
            ->assertCreated();
        self::assertContains('trs-balanced', array_column($this->installation->refresh()->catalogue['plans'], 'id'));
    }

    public function test_files_and_plans_keep_to_their_published_schemas(): void
    {
        $validator = new Validator();
        $validator->resolver()?->registerPrefix('sartal://schema/', base_path('docs/schema'));
        $schema = static fn (string $name): object => json_decode(
            (string) file_get_contents(base_path('docs/schema/'.$name.'.schema.json')),
        );
        $check = static function (string $json, string $name) use ($validator, $schema): bool {
            return $validator->validate(json_decode($json), $schema($name))->isValid();
        };
        self::assertTrue($check(self::demo(), 'installation'));
        Artisan::call('sartal:plan', ['file' => database_path('demo/brackwater.json')]);
        self::assertTrue($check(Artisan::output(), 'plan'));
        $data = json_decode(self::demo(), true);
        $data['runs'][0]['build'] = 'ship';
        self::assertFalse($check((string) json_encode($data), 'installation'));
        unset($data['runs'][0]['build'], $data['runs'][0]['code']);
        self::assertFalse($check((string) json_encode($data), 'installation'));
    }

    public function test_the_plan_command_says_what_is_wrong_and_exits_with_one(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'sartal');
        foreach (
            [
                '{"format":"sartal-installation","version":1,"installation":{"id":"x","name":"X"},'.
                '"ways":[{"id":"w","name":"W","length":"-1 m"}]}',
                'noise',
            ] as $bad
        ) {
            file_put_contents((string) $file, $bad);
            exec(
                PHP_BINARY.' '.base_path('artisan').' sartal:plan '.escapeshellarg((string) $file).' 2>&1',
                $said,
                $status,
            );
            self::assertSame(1, $status);
        }
        self::assertStringContainsString('ways[0].length (-1 m)', implode("\n", $said));
        unlink((string) $file);
    }

    public function test_two_runs_entered_at_the_same_moment_cannot_share_a_code(): void
    {
        $this->expectException(\Illuminate\Database\UniqueConstraintViolationException::class);
        StoredRun::query()->create([
            'installation_id' => $this->installation->id,
            'key' => 'other',
            'code' => 'A-114',
            'definition' => [],
        ]);
    }

    public function test_the_importer_refuses_by_itself_too(): void
    {
        $this->expectException(InvalidDocument::class);
        (new FileImporter())->import(InstallationFile::parse(self::demo()), self::organisation());
    }
}
