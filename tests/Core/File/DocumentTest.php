<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Plan\Planning\Planner;

final class DocumentTest extends TestCase
{
    private static function demo(): string
    {
        return (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
    }

    /** @return array<string, mixed> */
    private static function data(): array
    {
        return json_decode(self::demo(), true);
    }

    public function test_the_demo_is_in_its_canonical_spelling(): void
    {
        self::assertSame(self::demo(), InstallationFile::parse(self::demo())->print());
    }

    public function test_the_demo_has_nothing_that_stops_the_work(): void
    {
        $file = InstallationFile::parse(self::demo());
        $plan = (new Planner())->plan($file->installation, $file->record);
        self::assertGreaterThan(35, count($plan->runs));
        self::assertNotContains(
            'stop',
            array_map(static fn ($finding): string => $finding->severity->value, $plan->findings()),
        );
        $states = array_map(
            static fn (array $strand): array => array_map(static fn ($bead): string => $bead->state->value, $strand),
            $plan->strands(),
        );
        self::assertContains('failed', array_merge(...array_values($states)));
        self::assertNotContains('overtaken', array_merge(...array_values($states)));
    }

    public function test_every_problem_is_named_with_path_value_and_remedy(): void
    {
        $data = self::data();
        $data['ways'][0]['length'] = '-3 m';
        $data['ways'][1]['length'] = 'far';
        $data['runs'][0]['build'] = 'somewhere';
        $data['runs'][1]['surprise'] = 1;
        unset($data['runs'][2]['cable']);
        $data['runs'][3]['id'] = $data['runs'][4]['id'];
        $data['record'][0]['by'] = 'nobody';
        try {
            InstallationFile::parse((string) json_encode($data));
            self::fail('It should be refused.');
        } catch (InvalidDocument $invalid) {
            $found = [];
            foreach ($invalid->problems as $problem) {
                $found[$problem->path] = $problem->value;
                self::assertNotSame('', $problem->words);
            }
            self::assertSame('-3 m', $found['ways[0].length']);
            self::assertSame('far', $found['ways[1].length']);
            self::assertSame('somewhere', $found['runs[0].build']);
            foreach (['runs[1].surprise', 'runs[2].cable', 'runs', 'record[0].by'] as $path) {
                self::assertArrayHasKey($path, $found);
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function noise(): iterable
    {
        yield 'nothing' => [''];
        yield 'a list' => ['[1,2]'];
        yield 'another format' => ['{"format":"x","version":1}'];
        yield 'not JSON' => ['<xml/>'];
        yield 'a number' => ['7'];
        yield 'deep' => [str_repeat('[', 600).str_repeat(']', 600)];
        mt_srand(3);
        yield 'ten megabytes of noise' => [
            implode('', array_map(static fn (): string => md5((string) mt_rand(), true), range(1, 655_360))),
        ];
    }

    #[DataProvider('noise')]
    public function test_noise_is_refused_in_words(string $noise): void
    {
        $this->expectException(InvalidDocument::class);
        InstallationFile::parse($noise);
    }

    /** Whatever is broken anywhere in the file: it is read whole or refused in words, never half. */
    public function test_random_damage_never_gets_past_the_reader_as_an_error(): void
    {
        mt_srand(11);
        $refused = 0;
        for ($i = 0; $i < 150; $i++) {
            $data = self::data();
            $at = &$data;
            for ($depth = mt_rand(1, 6); $depth > 0 && is_array($at) && $at !== []; $depth--) {
                $key = array_rand($at);
                $at = &$at[$key];
            }
            $at = [null, -1, 'x', [], 1e300, true, ['a' => 1]][mt_rand(0, 6)];
            unset($at);
            try {
                $file = InstallationFile::parse((string) json_encode($data));
                (new Planner())->plan($file->installation, $file->record);
            } catch (InvalidDocument $invalid) {
                self::assertNotSame([], $invalid->problems);
                $refused++;
            }
        }
        self::assertGreaterThan(75, $refused);
    }

    public function test_the_plan_holds_what_the_bench_needs(): void
    {
        $file = InstallationFile::parse(self::demo());
        $plan = PlanEncoder::plan((new Planner())->plan($file->installation, $file->record), $file->installation);
        self::assertSame('sartal-plan', $plan['format']);
        self::assertCount(count($file->installation->runs()), (array) $plan['runs']);
    }

    /** @return array<string, array{string, bool}> */
    public static function ids(): array
    {
        return [
            'the longest' => [str_repeat('é', 80), true],
            'one too long' => [str_repeat('é', 81), false],
            'digits' => ['007', true],
            'a blank' => ['A 1', false],
            'a slash' => ['A/1', false],
            'a colon' => ['A:1', false],
            'an arrow' => ['A>1', false],
            'a bar' => ['A|1', false],
        ];
    }

    #[DataProvider('ids')]
    public function test_an_id_keeps_clear_of_the_marks_of_nodes_and_has_a_length(string $id, bool $good): void
    {
        $problems = new Problems();
        self::assertSame($good ? $id : '', FileDecoder::id(Fields::from(['id' => $id], 'runs.0', $problems)));
        if (! $good) {
            $this->expectException(InvalidDocument::class);
        }
        $problems->settle();
    }
}
