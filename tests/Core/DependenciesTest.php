<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The house: arrows run from the application into the core, and down through its rooms. */
final class DependenciesTest extends TestCase
{
    /** From the top down: a room may look at those below it. */
    private const ROOMS = ['Document', 'Handover', 'Service', 'Changing', 'Parts', 'Forecasting', 'Bench', 'Pulling', 'Planning', 'Cutting', 'Diagnosing', 'Record', 'Testing', 'Proposing', 'Pinout', 'Labelling', 'Dressing', 'Looming', 'Routing', 'Reach', 'Preparing', 'Compatibility', 'Wiring', 'Installation', 'Catalogue', 'Findings', 'Measure'];

    /** @return iterable<string, string> path below core/ → source */
    private static function sources(): iterable
    {
        $root = dirname(__DIR__, 2).'/core';
        /** @var SplFileInfo $file */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            yield substr($file->getPathname(), strlen($root) + 1) => (string) file_get_contents($file->getPathname());
        }
    }

    public function test_rooms_look_down_only(): void
    {
        $height = array_flip(self::ROOMS);
        $checked = 0;
        foreach (self::sources() as $path => $source) {
            $room = explode('/', $path)[0];
            self::assertArrayHasKey($room, $height, $path.' is in a room that has no place in the house');
            preg_match_all('~Sartal\\\\Core\\\\(\w+)\\\\~', $source, $found);
            foreach ($found[1] as $other) {
                self::assertTrue($other === $room || $height[$other] > $height[$room], sprintf('%s looks up to %s', $path, $other));
                $checked++;
            }
        }
        self::assertGreaterThan(200, $checked);
    }

    public function test_the_core_knows_no_framework_no_clock_no_chance_and_no_files(): void
    {
        foreach (self::sources() as $path => $source) {
            self::assertDoesNotMatchRegularExpression('~\b(?:App|Illuminate|Laravel|Symfony|Tests)\\\\~', $source, $path);
            self::assertDoesNotMatchRegularExpression('~(?<![>:\w])(?<!function )(?:time|microtime|date|now|rand|mt_rand|random_int|random_bytes|fopen|file_get_contents|file_put_contents|getenv|env)\(~', $source, $path);
            self::assertStringContainsString('declare(strict_types=1);', $source, $path);
        }
    }

    public function test_no_php_knows_a_connector_or_cable_by_name(): void
    {
        foreach (self::sources() as $path => $source) {
            $code = preg_replace('~/\*.*?\*/|//[^\n]*~s', '', $source) ?? '';
            self::assertDoesNotMatchRegularExpression('~xlr|8p8c|bnc|d-?sub|rect90|t568|multicore|cat6~i', $code, $path);
        }
    }
}
