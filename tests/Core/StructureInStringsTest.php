<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;

/** Ids that say several things are made and taken apart by one class each; nobody else looks inside. */
final class StructureInStringsTest extends TestCase
{
    /** Where a text is taken apart at a mark, and whose text it is. */
    private const OWN = [
        'core/Proof/Testing/CertifierSense.php' => 'its own questions',
        'core/Proof/Testing/CapacitanceSense.php' => 'its own questions',
        'core/Proof/Testing/InsulationSense.php' => 'its own questions',
        'core/Proof/Testing/OhmSense.php' => 'its own questions',
        'core/Work/Bench/FoundFlaws.php' => 'notes of the first edition',
        'app/Http/Controllers/Plan/RunController.php' => 'what the page sends: signals',
        'app/Http/Requests/Work/ReworkAsked.php' => 'what the page sends: flaws',
        'app/Planning/PartsScope.php' => 'its own addresses',
        'core/Plan/Patterns/PatternAnswers.php' => 'what the page sends: places',
    ];

    public function test_no_room_takes_anothers_words_apart(): void
    {
        // Split at a mark that ids are made with. A path ("p7/a", "insert/2") is a path, and whoever likes walks it.
        $found = self::having('~(?:explode|strtok)\(\s*\'[:|>#]~');
        $others = array_diff_key($found, self::OWN);
        self::assertSame([], array_keys($others), 'Give it a class of its own that knows how it is made.');
        self::assertSame([], array_keys(array_diff_key(self::OWN, $found)), 'These are taken apart no more.');
    }

    public function test_what_a_splice_is_spelled_with_stands_in_one_place(): void
    {
        self::assertSame(
            ['core/Given/Installation/JoiningPlace.php'],
            array_keys(self::having('~[\'"]splice:~')),
        );
    }

    /** @return array<string, true> sources in which that stands */
    private static function having(string $pattern): array
    {
        $found = [];
        $root = dirname(__DIR__, 2).'/';
        foreach (['core', 'app'] as $part) {
            $files = new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator($root.$part, \FilesystemIterator::SKIP_DOTS),
            );
            foreach ($files as $file) {
                // Without comments, which may name it.
                $source = php_strip_whitespace((string) $file);
                if (preg_match($pattern, $source) === 1) {
                    $found[substr((string) $file, strlen($root))] = true;
                }
            }
        }

        return $found;
    }
}
