<?php

declare(strict_types=1);

namespace Tests\Mutation;

use RuntimeException;
use SebastianBergmann\CodeCoverage\CodeCoverage;

/** Which tests pass a line: one run of the core's tests that looks at the files concerned alone. */
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
     * @param  list<string>  $suites
     */
    public static function measure(string $root, string $work, array $files, array $suites): self
    {
        $include = implode('', array_map(static fn (string $file): string => "<file>{$root}/{$file}</file>", $files));
        $config = Suite::config($root, $suites, "<source><include>{$include}</include></source>");
        file_put_contents($work.'/coverage.xml', $config);
        $command = sprintf(
            '%s -d extension=pcov -d pcov.enabled=1 -d pcov.directory=%s -d memory_limit=6G %s -c %s --coverage-php %s --log-junit %s',
            escapeshellarg(PHP_BINARY),
            escapeshellarg($root.'/core'),
            escapeshellarg($root.'/vendor/bin/phpunit'),
            escapeshellarg($work.'/coverage.xml'),
            escapeshellarg($work.'/coverage.php'),
            escapeshellarg($work.'/junit.xml'),
        );
        exec($command.' > '.escapeshellarg($work.'/coverage.log').' 2>&1', $_, $code);
        if ($code !== 0 || ! is_file($work.'/coverage.php')) {
            throw new RuntimeException('The tests do not pass as they are; see '.$work.'/coverage.log.');
        }
        $coverage = require $work.'/coverage.php';
        if (! ($coverage instanceof CodeCoverage)) {
            throw new RuntimeException('There is no coverage in '.$work.'/coverage.php.');
        }
        $lines = [];
        foreach ($coverage->getData()->lineCoverage() as $path => $byLine) {
            foreach ($byLine as $line => $tests) {
                $lines[substr((string) $path, strlen($root) + 1)][$line] = array_values(
                    array_unique(array_map(static fn (string $test): string => explode('#', $test)[0], $tests ?? [])),
                );
            }
        }

        return new self($lines, Suite::seconds($work.'/junit.xml'));
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
