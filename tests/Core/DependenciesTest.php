<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Installation;
use SplFileInfo;

/** The house: arrows run from the application into the core, and down through its rooms. */
final class DependenciesTest extends TestCase
{
    /** The eight stages of the work and the rooms in each, from the top down: one may look at what is below it. */
    private const HOUSE = [
        'File' => [''],
        'Later' => ['Progress', 'Handover', 'Service', 'Changing', 'Telling'],
        'Work' => ['Parts', 'Forecasting', 'Bench', 'Pulling', 'Cutting'],
        'Plan' => ['Patterns', 'Joining', 'Planning', 'Checks', 'Near', 'Runs', 'Importing', 'Proposing'],
        'Proof' => ['Diagnosing', 'Record', 'Testing'],
        'Ways' => ['Dressing', 'Looming', 'Routing'],
        'Ends' => [
            'Opening', 'Pinout', 'Labelling', 'Reach', 'Making', 'Preparing', 'Workpiece', 'Compatibility', 'Wiring',
        ],
        'Given' => ['Installation', 'Catalogue', 'Schools', 'Findings', 'Measure'],
    ];

    /** Classes that need each other, in one knot: the document and its codecs, whose shapes hold one another. */
    private const KNOTS = ['File'];

    /** @return iterable<string, string> path below core/ → source */
    private static function sources(): iterable
    {
        $root = dirname(__DIR__, 2).'/core';
        /** @var SplFileInfo $file */
        foreach (
            new RecursiveIteratorIterator(
                new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS),
            ) as $file
        ) {
            yield substr($file->getPathname(), strlen($root) + 1) => (string) file_get_contents($file->getPathname());
        }
    }

    public function test_stages_and_rooms_look_down_only(): void
    {
        $height = [];
        foreach (self::HOUSE as $stage => $rooms) {
            foreach ($rooms as $room) {
                $height[trim($stage.'/'.$room, '/')] = count($height);
            }
        }
        $checked = 0;
        foreach (self::sources() as $path => $source) {
            $room = self::room($path);
            self::assertArrayHasKey($room, $height, $path.' is in a room that has no place in the house');
            preg_match_all('~Sartal\\\\Core\\\\([\w\\\\]+)~', $source, $found);
            foreach ($found[1] as $other) {
                $there = self::room(strtr($other, '\\', '/').'.php');
                self::assertTrue(
                    $there === $room || ($height[$there] ?? -1) > $height[$room],
                    sprintf('%s looks up to %s', $path, $other),
                );
                $checked++;
            }
        }
        self::assertGreaterThan(200, $checked);
    }

    /** "Given/Measure", or "File", which is one room. */
    private static function room(string $path): string
    {
        $parts = explode('/', (string) preg_replace('~\.php$~', '', $path));

        return $parts[0] === 'File' ? 'File' : $parts[0].'/'.($parts[1] ?? '');
    }

    public function test_no_two_classes_share_a_name(): void
    {
        $names = [];
        foreach (self::sources() as $path => $source) {
            $names[basename($path, '.php')][] = $path;
        }
        self::assertSame([], array_filter($names, static fn (array $paths): bool => count($paths) > 1));
    }

    /**
     * What a plan follows from can be noted only where it is asked for, so nobody reaches into the lists for one thing.
     */
    public function test_single_things_of_an_installation_are_asked_for_by_readers(): void
    {
        $lists = implode('|', [
            'runs',
            'ways',
            'looms',
            'circuits',
            'equipment',
            'fittings',
            'locations',
            'junctions',
            'switches',
            'cables',
            'connectors',
            'signals',
            'plans',
            'parts',
            'procedures',
        ]);
        foreach ([Installation::class, Catalogue::class] as $class) {
            foreach ((new \ReflectionClass($class))->getProperties(\ReflectionProperty::IS_PUBLIC) as $property) {
                self::assertNotSame('array', (string) $property->getType(), $property->getName().' has a reader');
            }
        }
        foreach (self::sources() as $path => $source) {
            if (! str_starts_with($path, 'File/') && $path !== 'Given/Installation/Installation.php') {
                self::assertDoesNotMatchRegularExpression(
                    '~(?:nstallation|\$in|atalogue)->(?:'.$lists.')\(\)\[~',
                    $source,
                    $path.' reads a list by its key: ask run(), theRun(), cable() …',
                );
                self::assertDoesNotMatchRegularExpression(
                    '~nstallation->rules->on\(~',
                    $source,
                    $path.': ask rule().',
                );
            }
        }
    }

    public function test_no_classes_go_round_in_a_circle(): void
    {
        $sources = iterator_to_array(self::sources());
        $needs = [];
        foreach ($sources as $path => $source) {
            $needs[$path] = self::needs($path, $source, $sources);
        }
        self::assertGreaterThan(400, count($needs));
        foreach ($needs as $path => $direct) {
            $round = self::reaches($path, $needs);
            if (isset($round[$path])) {
                self::assertContains(
                    self::room($path),
                    self::KNOTS,
                    $path.' needs itself by way of '.implode(', ', array_slice($direct, 0, 4)),
                );
            }
        }
    }

    /**
     * @param  array<string, list<string>>  $needs
     * @return array<string, true> everything that a class needs, directly or not
     */
    private static function reaches(string $from, array $needs): array
    {
        $seen = [];
        $open = $needs[$from];
        while ($open !== []) {
            $next = array_pop($open);
            if (! isset($seen[$next])) {
                $seen[$next] = true;
                array_push($open, ...$needs[$next]);
            }
        }

        return $seen;
    }

    /**
     * @param  array<string, string>  $sources
     * @return list<string> paths of the classes that a class names
     */
    private static function needs(string $path, string $source, array $sources): array
    {
        $code = preg_replace('~/\*.*?\*/|//[^\n]*~s', '', $source) ?? '';
        preg_match_all('~^use Sartal\\\\Core\\\\([\w\\\\]+);~m', $code, $found);
        $needs = array_map(static fn (string $class): string => strtr($class, '\\', '/').'.php', $found[1]);
        $body = preg_replace('~^(?:use|namespace) [^;]+;~m', '', $code) ?? '';
        foreach (array_keys($sources) as $other) {
            if ($other !== $path && dirname($other) === dirname($path)) {
                $name = basename($other, '.php');
                $named = sprintf(
                    '~(?:\\b(?:new|instanceof|extends|implements|use) |[|?(,] ?|(?<!:): ?|\\[)%1$s\\b(?! =)'.
                    '|(?<![\\w\\\\>$:])%1$s(?:::| \\$)~',
                    $name,
                );
                if (preg_match($named, $body) === 1) {
                    $needs[] = $other;
                }
            }
        }

        return $needs;
    }

    public function test_the_core_knows_no_framework_no_clock_no_chance_and_no_files(): void
    {
        foreach (self::sources() as $path => $source) {
            self::assertDoesNotMatchRegularExpression(
                '~\b(?:App|Illuminate|Laravel|Symfony|Tests)\\\\~',
                $source,
                $path,
            );
            self::assertDoesNotMatchRegularExpression(
                '~(?<![>:\w])(?<!function )(?:time|microtime|date|now|rand|mt_rand|random_int|random_bytes'.
                '|fopen|file_get_contents|file_put_contents|getenv|env)\(~',
                $source,
                $path,
            );
            self::assertStringContainsString('declare(strict_types=1);', $source, $path);
        }
    }

    public function test_no_php_knows_a_connector_or_cable_by_name(): void
    {
        foreach (self::sources() as $path => $source) {
            $code = preg_replace('~/\*.*?\*/|//[^\n]*~s', '', $source) ?? '';
            self::assertDoesNotMatchRegularExpression(
                '~xlr|8p8c|bnc|d-?sub|rect90|t568|multicore|cat6~i',
                $code,
                $path,
            );
        }
    }
}
