<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\Intent;
use App\Models\Change;
use App\Planning\InstallationStore;
use App\Planning\ShippedUsuals;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\QuickLine;
use Sartal\Core\Plan\Proposing\Understood;
use Tests\TestCase;

/** The quick line, what fits, many runs at once, find, and messy tables. */
final class PlanningAidsTest extends TestCase
{
    private function snapshot(): string
    {
        return (string) json_encode(
            FileEncoder::installation((new InstallationStore())->load($this->installation->refresh())->installation),
        );
    }

    public function test_a_quick_line_shows_the_whole_run_and_saves_nothing_until_it_is_added(): void
    {
        $before = $this->snapshot();
        $guess = $this->as('planner')
            ->postJson('/api/runs/quick', ['text' => '24 mic stage box 2 > amp rack patch via under-stage tray'])
            ->assertOk();
        $guess = $guess->json('lines.0');
        self::assertSame([24, 25, 'M-205'], [$guess['circuits'], $guess['fittings'], $guess['lines'][0]['code']]);
        self::assertTrue(collect($guess['understood'])->firstWhere('what', 'from')['said']);
        self::assertFalse(collect($guess['understood'])->firstWhere('what', 'cable')['said']);
        self::assertSame($before, $this->snapshot());
        $this->postJson('/api/runs', ['line' => $guess['lines'][0]])
            ->assertCreated()
            ->assertJsonPath('cut', $guess['cut']['result']);
        $this->postJson('/api/runs/quick', ['text' => 'mic floor box > amp rack'])
            ->assertOk()
            ->assertJsonPath('lines.0.lines', [])
            ->assertJsonPath('lines.0.refused.field', 'from')
            ->assertJsonPath('lines.0.refused.isNoPlace', false);
        $this->postJson('/api/runs/quick', ['text' => str_repeat('x', 6001)])->assertUnprocessable();
    }

    public function test_a_line_is_filled_in_from_all_runs_without_reading_them(): void
    {
        $lines = [
            '24 mic stage box 2 > amp rack',
            '2 network media rack > projector 2',
            '4 video media rack > projector 2',
            '10 m mic lead',
            '2 mains media rack > projector 2',
        ];
        // Every run as it is decided then, read whole: what the one who answers does not do.
        $whole = function () use ($lines): array {
            $in = (new InstallationStore())->load($this->installation->refresh())->installation;

            return array_map(static function (string $line) use ($in): array {
                try {
                    return QuickLine::read($line, $in, ShippedUsuals::all())->understood;
                } catch (CannotPropose $cannot) {
                    return [$cannot->getMessage()];
                }
            }, $lines);
        };
        $told = fn (): array => array_map(
            function (string $line): array {
                $read = $this->as('planner')->postJson('/api/runs/quick', ['text' => $line])->json('lines.0');

                return $read['refused'] === null ? array_map(
                    static fn (array $each): Understood => new Understood(...$each),
                    $read['understood'],
                ) : [$read['refused']['remedy']];
            },
            $lines,
        );
        self::assertEquals($whole(), $told());
        $mic = $this->installation->runs()->where('code', 'like', 'M-%')->orderBy('id')->firstOrFail();
        $this->as('planner')->withHeader(Intent::HEADER, Intent::Accept->value);
        $change = ['version' => $mic->version, 'line' => ['code' => 'M-777', 'spares_a' => '7']];
        $this->patchJson('/api/runs/'.$mic->key, $change)->assertOk();
        $said = $whole();
        self::assertStringContainsString('M-777', (string) json_encode($said));
        self::assertEquals($said, $told());
        $line = $this->postJson('/api/runs/quick', ['text' => 'mic stage box 2 > amp rack'])->json('lines.0.lines.0');
        $this->postJson('/api/runs', ['line' => $line])->assertCreated();
        self::assertEquals($whole(), $told());
    }

    public function test_lines_that_are_pasted_come_in_together_or_not_at_all(): void
    {
        $lines = implode("\r\n", [
            '12 mic stage box 2 > amp rack',
            '',
            '4 video media rack > projector 2',
            'mic crow’s nest > amp rack',
            '2 10 m mic leads in amp rack',
        ]);
        $read = $this->as('planner')->postJson('/api/runs/quick', ['text' => $lines])->assertOk()->json('lines');
        self::assertSame([1, 4, 0, 2], array_map(static fn (array $each): int => count($each['lines']), $read));
        self::assertSame(
            [true, 'crow’s nest'],
            [$read[2]['refused']['isNoPlace'], $read[2]['refused']['value']],
        );
        $place = ['id' => 'crows-nest', 'name' => 'Crow’s nest'];
        $this->putJson('/api/shared/location', ['part' => $place])->assertOk();
        $read = $this->postJson('/api/runs/quick', ['text' => $lines])->assertOk()->json('lines');
        self::assertSame([null, null, null, null], array_column($read, 'refused'));
        $runs = array_map(static fn (array $line): array => ['line' => $line], array_merge(
            ...array_column($read, 'lines'),
        ));
        $codes = array_column(array_column($runs, 'line'), 'code');
        self::assertSame($codes, array_values(array_unique($codes)), 'each goes on from those before');

        $before = $this->snapshot();
        $wrong = $runs;
        $wrong[1]['line']['cable'] = 'string';
        $wrong[6]['line']['code'] = $wrong[0]['line']['code'];
        $this->postJson('/api/runs/lines', ['runs' => $wrong])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['runs.1.line.cable', 'runs.6.line.code']);
        self::assertSame($before, $this->snapshot());

        $this->postJson('/api/runs/lines', ['runs' => $runs])->assertCreated()->assertJsonPath('code', $codes[0]);
        $there = array_column($this->getJson('/api/schedule')->json('rows'), 'code');
        self::assertSame([], array_diff($codes, $there));
        self::assertSame(count($codes).' runs added', $this->getJson('/api/changes')->json('0.words'));
        $this->postJson('/api/runs/lines', ['runs' => array_slice($runs, 0, 1)])->assertUnprocessable();
    }

    public function test_connectors_that_fit_come_first_and_others_say_why_not(): void
    {
        $plans = $this->as('planner')->getJson('/api/fits?cable=cat6-utp&signals=network')->assertOk()->json('plans');
        self::assertSame([], $plans[0]['why']);
        $stranded = collect($plans)->firstWhere('plan', '8p8c-plug-stranded-t568b');
        self::assertTrue($stranded['stops']);
        self::assertStringStartsWith('Category 6', $stranded['why'][0]);
        self::assertSame([], $this->getJson('/api/fits?cable=nothing&signals=network')->assertOk()->json('plans'));
    }

    public function test_many_runs_change_as_one_step_or_not_at_all(): void
    {
        $runs = array_map(static fn (string $id): array => ['id' => $id, 'version' => 1], ['A-118', 'A-121', 'A-122']);
        $before = $this->snapshot();
        $this->as('planner')
            ->patchJson('/api/runs', ['runs' => $runs, 'line' => ['tail_a' => '2', 'loom' => 'L2']])
            ->assertOk()
            ->assertJsonPath('changed', 3);
        foreach (['A-118', 'A-121', 'A-122'] as $id) {
            $this->getJson('/api/runs/'.$id)
                ->assertJsonPath('loom', 'L2 projection')
                ->assertJsonPath('version', 2);
        }
        $this->postJson('/api/changes/'.Change::query()->latest('id')->firstOrFail()->id.'/undo')->assertCreated();
        self::assertSame($before, $this->snapshot());
        $this->patchJson('/api/runs', [
            'runs' => [['id' => 'A-118', 'version' => 3], ['id' => 'A-121', 'version' => 99]],
            'line' => ['tail_a' => '3'],
        ])->assertConflict();
        $this->patchJson('/api/runs', ['runs' => [['id' => 'A-118', 'version' => 3]], 'line' => ['tail_a' => 'long']])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('tail_a');
        self::assertSame($before, $this->snapshot());
    }

    public function test_runs_are_numbered_anew_in_their_order_and_no_code_is_given_twice(): void
    {
        $runs = array_map(fn (string $id): array => ['id' => $id, 'version' => 1], ['A-121', 'A-118', 'A-122']);
        $this->as('planner')
            ->patchJson('/api/runs', ['runs' => $runs, 'number' => ['prefix' => 'A-', 'from' => 118, 'step' => 1]])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('code');
        $this->patchJson('/api/runs', [
            'runs' => $runs,
            'number' => ['prefix' => 'G-', 'from' => 7, 'step' => 2],
        ])->assertOk();
        self::assertSame(
            ['G-007', 'G-009', 'G-011'],
            array_map(fn (string $id): string => $this->getJson('/api/runs/'.$id)->json('code'), [
                'A-121',
                'A-118',
                'A-122',
            ]),
        );
        // Codes that change places among themselves are free for each other.
        $two = [['id' => 'A-121', 'version' => 2], ['id' => 'A-118', 'version' => 2]];
        $this->patchJson('/api/runs', [
            'runs' => $two,
            'number' => ['prefix' => 'G-', 'from' => 8, 'step' => 1],
        ])->assertOk();
        $this->patchJson('/api/runs', ['runs' => $two, 'number' => ['prefix' => '', 'from' => 8, 'step' => 1]])
            ->assertUnprocessable()
            ->assertJsonValidationErrors('number.prefix');
        $this->patchJson('/api/runs', ['runs' => []])->assertUnprocessable();
    }

    public function test_find_opens_a_code_an_end_a_place_a_person_and_a_type(): void
    {
        $first = fn (string $query): array => $this->as('installer')
            ->getJson('/api/find?q='.rawurlencode($query))
            ->assertOk()
            ->json('found.0');
        self::assertSame(['run', '/runs/A-114'], [$first('a-114')['kind'], $first('a-114')['path']]);
        self::assertSame('/runs/M-201', $first('m201')['path']);
        self::assertSame('/runs/A-114/sheet/B', $first('A-114 B')['path']);
        self::assertSame('place', $first('Tide model')['kind']);
        self::assertSame('person', $first('sunniva')['kind']);
        self::assertStringStartsWith('/rules/plans/rect90', $first('24 channels in columns')['path']);
        self::assertSame('cable type', $first('star-quad')['kind']);
        self::assertSame([], $this->getJson('/api/find?q=zzzz')->json('found'));
        self::assertSame([], $this->getJson('/api/find?q=')->json('found'));
    }

    /** @param  array<string, string>  $columns */
    private function preview(string $text, string $name = 'runs.csv', array $columns = []): TestResponse
    {
        return $this->as('planner')->post(
            '/api/import/preview',
            [
                'file' => UploadedFile::fake()->createWithContent($name, $text),
                'said' => json_encode(['columns' => (object) $columns], JSON_THROW_ON_ERROR),
            ],
            ['Accept' => 'application/json'],
        );
    }

    public function test_a_messy_table_with_titles_and_other_names_is_understood(): void
    {
        $messy =
            "Brackwater cable list, revision 4\n\nprepared by hand,,,,\n".
            "Cable No;From location;To Location;Cable Type;Signal;Remarks\n".
            "X-1;Lectern;Amplifier rack 1;Screened pair, foil and drain;Balanced analogue audio;was \"B7\"\n;;;;;\n".
            "X-2;Foyer;Amplifier rack 1;pair-foil;analogue;\n";
        $answer = $this->preview($messy)->assertOk();
        self::assertSame([], $answer->json('problems'));
        self::assertSame(['X-1', 'X-2'], array_column($answer->json('runs'), 'code'));
        self::assertSame('from', collect($answer->json('columns'))->firstWhere('name', 'from location')['takenAs']);
    }

    public function test_a_column_that_nobody_knows_is_asked_about(): void
    {
        $text = "code,from,to,wire,signals,colour of box\nX-1,lectern,amp-rack-1,pair-foil,analogue,red\n";
        $answer = $this->preview($text)->assertOk();
        self::assertSame(
            ['wire', 'colour of box'],
            array_column(
                array_filter($answer->json('columns'), static fn (array $column): bool => $column['takenAs'] === null),
                'name',
            ),
        );
        // It is left out until somebody says: what is missing then is asked for.
        self::assertSame([[], ['cable']], [$answer->json('runs'), $answer->json('missing')]);
        $said = $this->preview($text, columns: ['wire' => 'cable', 'colour of box' => '-'])->assertOk();
        self::assertSame(['X-1'], array_column($said->json('runs'), 'code'));
        $twice = $this->preview($text, columns: ['wire' => 'cable', 'colour of box' => 'cable'])
            ->assertOk()
            ->json('problems');
        self::assertStringContainsString('holds this already', $twice[0]['remedy']);
    }

    public function test_cells_from_a_spreadsheet_are_parted_by_tabs(): void
    {
        self::assertSame(
            ['X-1'],
            array_column(
                $this->preview(
                    "code\tfrom\tto\tcable\tsignals\nX-1\tlectern\tamp-rack-1\tpair-foil\tanalogue",
                    'clipboard.tsv',
                )
                    ->assertOk()
                    ->json('runs'),
                'code',
            ),
        );
    }
}
