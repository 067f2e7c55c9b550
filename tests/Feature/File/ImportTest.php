<?php

declare(strict_types=1);

namespace Tests\Feature\File;

use App\Planning\InstallationStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Sartal\Core\Given\Installation\Installation;
use Tests\TestCase;

/** Spreadsheets as people have them, read and brought in the way the page does it. */
final class ImportTest extends TestCase
{
    private const MESSY = "Cable list of the east wing, draft;;;;;;;;\n\n".
        "Cable No;Type;Signal;Source;Destination;Connector A;Connector B;Length (ft);Rev\n".
        "KX-1;Cat 6a;Ethernet;Amp rack 1;Server room;RJ45;RJ45;100;P2\n".
        "KX-2;cat6A;ethernet;FOH;server  ROOM;RJ45;RJ45;110;P2\n".
        "KX-3;Mic cable;Mic;Lecturn;FOH;XLR3F;XLR3M;;P2\n";

    /** @param  array<string, mixed>  $said */
    private function send(string $path, string $text, array $said = []): TestResponse
    {
        return $this->as('planner')->post(
            '/api/'.$path,
            [
                'file' => UploadedFile::fake()->createWithContent('list.csv', $text),
                'said' => json_encode((object) $said, JSON_THROW_ON_ERROR),
            ],
            ['Accept' => 'application/json'],
        );
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    private function shown(string $text, array $said = []): array
    {
        return $this->send('import/preview', $text, $said)->assertOk()->json();
    }

    /**
     * As the page sends it: everything as it was shown.
     *
     * @param  array<string, mixed>  $said
     */
    private function bring(string $text, array $said = []): TestResponse
    {
        $shown = $this->shown($text, $said);
        foreach ($shown['words'] as $word) {
            $said['values'][$word['kind']][$word['words']] = $word['taken'];
        }
        foreach ($shown['columns'] as $column) {
            $said['columns'][$column['name']] = ($column['takenAs'] ?? '') === '' ? '-' : $column['takenAs'];
        }
        foreach ($shown['defaults'] as $default) {
            $said['defaults'][$default['field']] = $default['text'];
        }

        return $this->send('import', $text, $said);
    }

    private function now(): Installation
    {
        return app(InstallationStore::class)->load($this->installation->refresh())->installation;
    }

    private function laid(Installation $in, string $code): array
    {
        foreach ($in->runs() as $run) {
            if ($run->code === $code) {
                return [$run->cable, $run->a->location, $run->b->location];
            }
        }
        self::fail('There is no '.$code);
    }

    public function test_a_messy_list_comes_in_as_it_was_shown_and_one_undo_takes_all_of_it_away(): void
    {
        $before = $this->now();
        $shown = $this->shown(self::MESSY, ['lengths' => 'ways']);
        self::assertSame([], $shown['problems']);
        self::assertSame(['Server room'], $shown['places']);
        self::assertCount(3, $shown['runs']);
        self::assertCount(2, $shown['ways']);
        self::assertSame([null], array_column(
            array_filter($shown['columns'], static fn (array $each): bool => $each['name'] === 'rev'),
            'takenAs',
        ));
        $this->bring(self::MESSY, ['lengths' => 'ways'])->assertCreated()->assertJsonPath('imported', 3);
        $after = $this->now();
        self::assertSame(['cat6a-futp', 'amp-rack-1', 'server-room'], $this->laid($after, 'KX-1'));
        self::assertSame(['cat6a-futp', 'front-of-house', 'server-room'], $this->laid($after, 'KX-2'));
        self::assertSame(['pair-foil', 'lectern', 'front-of-house'], $this->laid($after, 'KX-3'));
        $made = array_diff_key($after->ways(), $before->ways());
        // 100 ft and 110 ft of 304.8 mm (international foot, 1959).
        self::assertEqualsCanonicalizing(
            [30_480_000_000, 33_528_000_000],
            array_map(static fn ($way): int => $way->length->nanometres, array_values($made)),
        );
        $change = (int) DB::table('changes')->max('id');
        $this->as('planner')->postJson('/api/changes/'.$change.'/undo')->assertSuccessful();
        $undone = $this->now();
        self::assertSame(array_keys($before->locations()), array_keys($undone->locations()));
        self::assertSame(array_keys($before->ways()), array_keys($undone->ways()));
        self::assertSame(array_keys($before->runs()), array_keys($undone->runs()));
    }

    public function test_nothing_is_guessed_where_nothing_was_shown(): void
    {
        $problems = $this->send('import', self::MESSY)->assertUnprocessable()->json('problems');
        self::assertSame(['rev'], array_column($problems, 'column'));
        $problems = $this->send('import', self::MESSY, ['columns' => ['rev' => '-']])->assertUnprocessable();
        self::assertContains('cable', array_column($problems->json('problems'), 'column'));
        self::assertArrayNotHasKey('server-room', $this->now()->locations());
    }

    public function test_what_was_said_is_remembered_by_the_installation_alone(): void
    {
        $this->bring(self::MESSY, ['values' => ['signal' => ['Mic' => 'aes3']], 'columns' => ['rev' => 'note']])
            ->assertCreated();
        $again = str_replace(['KX-', 'FOH'], ['KY-', 'Control desk'], self::MESSY);
        $shown = $this->shown($again);
        $words = array_column($shown['words'], null, 'words');
        self::assertSame(
            ['aes3', false, 'as the last list that had it was read'],
            [$words['Mic']['taken'], $words['Mic']['said'], $words['Mic']['because']],
        );
        self::assertContains(['name' => 'rev', 'takenAs' => 'note'], $shown['columns']);
        // The place that was made is called so now.
        self::assertArrayNotHasKey('Server room', $words);
        // What is said now stands above what was said then.
        $now = $this->shown($again, ['values' => ['signal' => ['MIC' => 'analogue']]]);
        self::assertSame('analogue', array_column($now['words'], null, 'words')['Mic']['taken']);
        $others = DB::table('import_words')->where('installation_id', '<>', $this->installation->id);
        self::assertSame(0, $others->count());
    }

    public function test_sheets_are_read_each_by_its_own_columns_and_their_rows_are_named(): void
    {
        $two = "\fEast\n".self::MESSY."\n\fWest\ncode,cable,signals,from,to\nW-1,star-quad,analogue,lectern,Foyer\n".
            "KX-1,star-quad,analogue,lectern,foyer\nW-2,star-quad,analogue,lectern,foyer,left over\n";
        $problems = $this->shown($two)['problems'];
        self::assertSame(
            [['West', 3, 'code'], ['West', 4, '']],
            array_map(static fn (array $each): array => [$each['sheet'], $each['row'], $each['column']], $problems),
        );
        self::assertStringContainsString('Row 4 of East', $problems[0]['remedy']);
        $said = ['cells' => ['West:3' => ['code' => 'W-3']]];
        $two = str_replace(',left over', '', $two);
        self::assertSame([], $this->shown($two, $said)['problems']);
        $this->bring($two, $said)->assertCreated()->assertJsonPath('imported', 6);
        self::assertSame(['star-quad', 'lectern', 'foyer'], $this->laid($this->now(), 'W-3'));
    }

    public function test_what_no_column_says_holds_for_every_row(): void
    {
        $list = "From,To,Remark\nLectern,Foyer,first\nFoyer,Lectern,second\n";
        self::assertSame(['code', 'cable', 'signals'], $this->shown($list)['missing']);
        $problems = $this->send('import', $list)->assertUnprocessable()->json('problems');
        self::assertSame(['code', 'cable', 'signals'], array_column($problems, 'column'));
        // A-114 is in use: the next that are free follow.
        $said = ['defaults' => ['code' => 'A-114', 'cable' => 'star-quad', 'signals' => 'analogue']];
        $codes = array_column($this->shown($list, $said)['runs'], 'code');
        self::assertCount(2, array_unique($codes));
        $taken = array_map(static fn ($run): string => $run->code, array_values($this->now()->runs()));
        self::assertSame([], array_intersect($codes, $taken));
        $this->bring($list, $said)->assertCreated();
        self::assertSame(['star-quad', 'lectern', 'foyer'], $this->laid($this->now(), $codes[0]));
    }

    public function test_ends_are_plugged_into_devices_and_a_device_says_where_an_end_is(): void
    {
        $head = "code,cable,signals,from,connector b,device b,port b\n";
        $row = 'X-1,pair-foil,analogue,lectern,xlr3-male-cable-balanced,Amplifier patch panel,';
        $this->bring($head.$row.'33')->assertCreated();
        $in = $this->now();
        self::assertSame(['pair-foil', 'lectern', 'amp-rack-1'], $this->laid($in, 'X-1'));
        $with = array_map(static fn ($mating): string => $mating->fitting.' '.$mating->with, $in->matings());
        self::assertContains('X-1.b1 amp:p33', $with);
        foreach (['in 31' => 'already', '99' => 'no such port'] as $port => $says) {
            $problems = $this->shown($head.str_replace('X-1', 'X-2', $row).$port)['problems'];
            self::assertSame(['port_b'], array_column($problems, 'column'));
            self::assertStringContainsString($says, $problems[0]['remedy']);
        }
        $elsewhere = "code,cable,signals,from,to,plans_b,device b,port b\n".
            'X-3,pair-foil,analogue,lectern,foyer,xlr3-male-cable-balanced,amp,34';
        $told = $this->shown($elsewhere)['problems'][0]['remedy'];
        self::assertStringContainsString('stands at Amplifier rack 1', $told);
    }

    public function test_a_device_that_is_not_there_is_made_with_the_ports_that_rows_name(): void
    {
        $head = "code,cable,signals,from,to,plans_a,plans_b,device b,port b\n";
        $row = ',pair-foil,analogue,lectern,media-rack,xlr3-female-cable-balanced,xlr3-male-cable-balanced,';
        $list = $head.'X-1'.$row."Desk mixer,Input 1\nX-2".$row."desk MIXER,Input 2\nX-3".$row."Desk mixer,input 1\n";
        $problems = $this->shown($list)['problems'];
        self::assertSame([[4, 'port_b']], array_map(
            static fn (array $each): array => [$each['row'], $each['column']],
            $problems,
        ));
        $elsewhere = (string) preg_replace('~(X-3,.*?),media-rack~', '$1,foyer', $list);
        self::assertStringContainsString('another place', $this->shown($elsewhere)['problems'][0]['remedy']);
        $list = str_replace('input 1', 'Input 3', $list);
        self::assertSame(['Desk mixer (3)'], $this->shown($list)['devices']);
        $this->bring($list)->assertCreated();
        $in = $this->now();
        $device = $in->device('desk-mixer');
        self::assertNotNull($device);
        self::assertSame('media-rack', $device->location);
        self::assertSame(['Input 1', 'Input 2', 'Input 3'], array_column($device->ports, 'name'));
        $with = array_map(static fn ($mating): string => $mating->fitting.' '.$mating->with, $in->matings());
        self::assertContains('X-2.b1 desk-mixer:input-2', $with);
        // What it is plugged into mates with it, by the catalogue's own word.
        $plug = $in->catalogue->theConnector($in->theFitting('X-2.b1')->connector);
        $jack = $in->catalogue->theConnector($device->ports[1]->connector);
        self::assertNotNull($plug->matesWith($jack) ?? $jack->matesWith($plug));
        // The next list knows it.
        self::assertSame([], $this->shown($head.'X-4'.$row."desk mixer,\n")['words']);
    }

    public function test_a_length_is_passed_over_where_ways_say_it_and_refused_where_it_is_none(): void
    {
        $head = "code,cable,signals,from,to,length\n";
        $shown = $this->shown($head.'X-1,star-quad,analogue,lectern,foyer,24');
        self::assertSame([['missing' => 0, 'passedOver' => 1], 1], [$shown['lengths'], count($shown['runs'])]);
        foreach (['ca. 30', '-4', '30000'] as $text) {
            $problems = $this->shown($head.'X-1,star-quad,analogue,lectern,foyer,'.$text)['problems'];
            self::assertSame([['length', $text]], array_map(
                static fn (array $each): array => [$each['column'], $each['value']],
                $problems,
            ));
        }
    }

    public function test_the_template_shows_how_it_is_done_and_its_example_is_passed_over(): void
    {
        $text = (string) $this->as('planner')->get('/api/runs-template.csv')->assertOk()->getContent();
        self::assertStringContainsString('EXAMPLE,', $text);
        $read = $this->shown($text."X-1,star-quad,analogue,,Lectern,Foyer\n");
        self::assertSame([1, ['X-1'], []], [$read['examples'], array_column($read['runs'], 'code'), $read['problems']]);
        // The row itself would come in under a code of its own.
        self::assertCount(1, $this->shown(str_replace('EXAMPLE', 'X-2', $text))['runs']);
    }

    public function test_what_is_said_of_a_file_is_refused_where_it_is_no_object(): void
    {
        $this->as('planner')
            ->post(
                '/api/import/preview',
                ['file' => UploadedFile::fake()->createWithContent('a.csv', self::MESSY), 'said' => '[1'],
                ['Accept' => 'application/json'],
            )
            ->assertUnprocessable()
            ->assertJsonPath('errors.said.0', fn (string $told): bool => str_contains($told, 'JSON'));
    }
}
