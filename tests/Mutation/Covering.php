<?php

declare(strict_types=1);

namespace Tests\Mutation;

use RuntimeException;
use SebastianBergmann\CodeCoverage\CodeCoverage;

/**
 * Which tests pass a line: one run of the core's tests that looks at the files concerned alone. What takes a minute by
 * itself is left out: it would take several, and what it finds, others have to find as well.
 */
final readonly class Covering
{
    private const NEAR = 12;

    /**
     * @param  array<string, array<int, list<string>>>  $lines  file → line → tests
     * @param  array<string, float>  $seconds  test → how long it takes
     */
    private function __construct(private array $lines, private array $seconds)
    {
    }

    /**
     * @param  list<string>  $files
     * @param  list<list<string>>  $suites  side by side
     */
    public static function measure(string $root, string $work, array $files, array $suites): self
    {
        $include = implode('', array_map(static fn (string $file): string => "<file>{$root}/{$file}</file>", $files));
        $running = [];
        foreach ($suites as $i => $paths) {
            $others = self::others($root, $files);
            $running[] = self::begin($root, $work.'/coverage-'.$i, $include, $others, $paths);
        }
        foreach ($running as $i => $process) {
            if (proc_close($process) !== 0) {
                throw new RuntimeException(
                    sprintf('The tests do not pass as they are; see %s/coverage-%d.log.', $work, $i),
                );
            }
        }
        $lines = $seconds = [];
        foreach (array_keys($suites) as $i) {
            self::take($root, $work.'/coverage-'.$i.'.php', $lines);
            $seconds += Suite::seconds($work.'/coverage-'.$i.'.xml');
        }

        return new self($lines, $seconds);
    }

    /**
     * Everything but these: what nobody asks for is not watched, which takes a third of the time.
     *
     * @param  list<string>  $files
     */
    private static function others(string $root, array $files): string
    {
        $watched = array_map(static fn (string $file): string => preg_quote($root.'/'.$file, '~'), $files);

        return '~^(?!(?:'.implode('|', $watched).')$)~';
    }

    /**
     * @param  string  $others  of which files nothing is noted
     * @param  list<string>  $paths
     * @return resource
     */
    private static function begin(string $root, string $at, string $include, string $others, array $paths)
    {
        file_put_contents(
            $at.'.config.xml',
            Suite::config(
                $root,
                $paths,
                "<source><include>{$include}</include></source>".
                    '<groups><exclude><group>long</group></exclude></groups>',
            ),
        );
        @unlink($at.'.php');
        $log = [1 => ['file', $at.'.log', 'w'], 2 => ['file', $at.'.log', 'a']];

        return proc_open(
            [
                PHP_BINARY,
                ...['-d', 'extension=pcov', '-d', 'pcov.enabled=1', '-d', 'pcov.directory='.$root.'/core'],
                ...['-d', 'pcov.exclude='.$others, '-d', 'memory_limit=6G'],
                ...[$root.'/vendor/bin/phpunit', '-c', $at.'.config.xml'],
                ...['--coverage-php', $at.'.php', '--log-junit', $at.'.xml'],
            ],
            $log,
            $pipes,
            $root,
        ) ?:
            throw new RuntimeException('PHPUnit does not start.');
    }

    /** @param  array<string, array<int, list<string>>>  $lines  to which it is added */
    private static function take(string $root, string $file, array &$lines): void
    {
        $coverage = require $file;
        if (! ($coverage instanceof CodeCoverage)) {
            throw new RuntimeException('There is no coverage in '.$file.'.');
        }
        foreach ($coverage->getData()->lineCoverage() as $path => $byLine) {
            $path = substr((string) $path, strlen($root) + 1);
            foreach ($byLine as $line => $tests) {
                $names = array_map(static fn (string $test): string => explode('#', $test)[0], $tests ?? []);
                $lines[$path][$line] = array_values(array_unique([...$lines[$path][$line] ?? [], ...$names]));
            }
        }
    }

    /** @return list<string> "Class::method", the quickest first */
    public function of(Mutant $mutant): array
    {
        $tests = $this->passing($mutant);
        usort($tests, fn (string $a, string $b): int => $this->time($a) <=> $this->time($b));

        return $tests;
    }

    /** @return list<string> */
    private function passing(Mutant $mutant): array
    {
        $lines = $this->lines[$mutant->file] ?? [];
        // A line without code of its own, in the middle of a statement: the one that it began on.
        for ($line = $mutant->line; $line > $mutant->line - self::NEAR; $line--) {
            if (isset($lines[$line])) {
                return $lines[$line];
            }
        }

        // A constant: whoever comes by the class.
        return array_values(array_unique(array_merge([], ...array_values($lines))));
    }

    public function time(string $test): float
    {
        return $this->seconds[$test] ?? 0.0;
    }
}
