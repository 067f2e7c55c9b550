<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problem;

/** Whom a record names, and on what it was done, in a file. */
final class PeopleTest extends TestCase
{
    private const KEY = '01m8fb95xcbjv99cq0ctz0wp2q';

    private const CAUSE = '5860522e-aebe-4e7e-adaf-d1c9ddbc2597';

    /** @return array<string, mixed> */
    private static function demo(): array
    {
        return json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
    }

    /** @param  array<string, mixed>  $data */
    private static function parse(array $data): InstallationFile
    {
        return InstallationFile::parse(json_encode($data, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    public function test_a_person_goes_by_an_id_and_without_one_by_the_sign_in_name(): void
    {
        $data = self::demo();
        self::assertSame('planner@brackwater.example', self::parse($data)->people[0]->id);
        $was = $data['people'][4]['signIn'];
        $data['people'][4] = ['id' => self::KEY, 'name' => 'Somebody', 'roles' => []];
        foreach ($data['record'] as $i => $event) {
            $data['record'][$i]['by'] = $event['by'] === $was ? self::KEY : $event['by'];
        }
        $file = self::parse($data);
        self::assertSame([self::KEY, ''], [$file->people[4]->id, $file->people[4]->signIn]);
        $again = InstallationFile::parse($file->print());
        self::assertEquals($file, $again);
        self::assertSame($file->print(), $again->print());
    }

    public function test_nobody_is_named_twice_by_nothing_or_unknown(): void
    {
        $data = self::demo();
        $data['people'][0] = ['name' => 'Nobody'];
        $data['people'][1]['id'] = 'same';
        $data['people'][2]['id'] = 'same';
        $data['record'][0]['by'] = 'stranger';
        try {
            self::parse($data);
            self::fail('It came in.');
        } catch (InvalidDocument $wrong) {
            $paths = array_map(static fn (Problem $problem): string => $problem->path, $wrong->problems);
            self::assertContains('people[0].signIn', $paths);
            self::assertContains('record[0].by', $paths);
            self::assertContains('people', $paths);
        }
    }

    public function test_what_an_event_was_done_on_comes_back_and_an_earlier_one_says_nothing_of_it(): void
    {
        $data = self::demo();
        $data['record'][0] += ['on' => [strtoupper(self::CAUSE), self::CAUSE], 'skew' => -7200];
        $data['record'][1] += ['on' => []];
        $file = self::parse($data);
        $by = array_column($file->record->events(), null, 'id');
        [$first, $second, $third] = array_map(static fn (int $i) => $by[$data['record'][$i]['id']], [0, 1, 2]);
        self::assertSame([[self::CAUSE], -7200, []], [$first->on, $first->skew, $second->on]);
        self::assertNull($third->on);
        self::assertEquals($file, InstallationFile::parse($file->print()));
        self::assertSame(2, substr_count($file->print(), '"on": ['));
    }
}
