<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** What PHPUnit is given to run some tests, and what it says of how long they took. */
final class Suite
{
    /** @param  list<string>  $paths  folders and files of tests, from the root */
    public static function config(string $root, array $paths, string $more = ''): string
    {
        $suite = implode(
            '',
            array_map(
                static fn (string $path): string => str_ends_with($path, '.php')
                    ? "<file>{$root}/{$path}</file>"
                    : "<directory>{$root}/{$path}</directory>",
                $paths,
            ),
        );

        return <<<XML
        <?xml version="1.0"?>
        <phpunit bootstrap="{$root}/vendor/autoload.php" cacheResult="false" failOnWarning="true">
            <testsuites><testsuite name="chosen">{$suite}</testsuite></testsuites>
            {$more}
            <php><ini name="memory_limit" value="2G"/></php>
        </phpunit>
        XML;
    }

    /** @return array<string, float> "Class::method" → s, all its data sets together */
    public static function seconds(string $junit): array
    {
        $seconds = [];
        $xml = simplexml_load_file($junit);
        foreach ($xml === false ? [] : $xml->xpath('//testcase') ?? [] as $case) {
            $name = preg_replace('/ with data set .*/s', '', (string) $case['name']) ?? '';
            $key = $case['class'].'::'.$name;
            $seconds[$key] = ($seconds[$key] ?? 0.0) + (float) $case['time'];
        }

        return $seconds;
    }
}
