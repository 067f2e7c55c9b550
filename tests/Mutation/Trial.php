<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** One mutant put to the tests that pass its line, in a process of its own. */
final class Trial
{
    /** @var resource */
    private $process;

    private readonly float $until;

    /** @param  list<string>  $tests  "Class::method" */
    public function __construct(
        string $root,
        string $work,
        public readonly Mutant $mutant,
        array $tests,
        float $seconds,
    ) {
        $this->until = microtime(true) + 20 + 4 * $seconds;
        $source = (string) file_get_contents($root.'/'.$mutant->file);
        file_put_contents($work.'/mutant.php', $mutant->applied($source));
        $class = 'Sartal\\Core\\'.strtr(substr($mutant->file, strlen('core/'), -4), '/', '\\');
        file_put_contents(
            $work.'/bootstrap.php',
            sprintf(
                "<?php\nrequire %s;\nspl_autoload_register(static function (string \$class): void {\n".
                    "    if (\$class === %s) {\n        require %s;\n    }\n}, true, true);\n",
                var_export($root.'/vendor/autoload.php', true),
                var_export($class, true),
                var_export($work.'/mutant.php', true),
            ),
        );
        $files = $methods = [];
        foreach ($tests as $test) {
            [$of, $method] = explode('::', $test, 2);
            $files[strtr(str_replace('Tests\\', 'tests/', $of), '\\', '/').'.php'] = true;
            $methods[preg_quote($of.'::'.$method, '~')] = true;
        }
        $filter = '~^(?:'.implode('|', array_keys($methods)).')(?: with data set .*)?$~s';
        file_put_contents($work.'/suite.xml', Suite::config($root, array_keys($files)));
        $this->process =
            proc_open(
                [
                    'setsid',
                    PHP_BINARY,
                    '-d',
                    'opcache.enable_cli=1',
                    $root.'/vendor/bin/phpunit',
                    '-c',
                    $work.'/suite.xml',
                    '--bootstrap',
                    $work.'/bootstrap.php',
                    '--stop-on-defect',
                    '--filter',
                    $filter,
                ],
                [1 => ['file', $work.'/out.log', 'w'], 2 => ['file', $work.'/out.log', 'a']],
                $pipes,
                $root,
            ) ?:
            throw new \RuntimeException('PHPUnit does not start.');
    }

    /** @return ?string "found", "survived" or "never ended"; null while it runs */
    public function outcome(): ?string
    {
        $status = proc_get_status($this->process);
        if ($status['running']) {
            if (microtime(true) < $this->until) {
                return null;
            }
            // What loops for ever is noticed by whoever waits for it.
            posix_kill(-$status['pid'], SIGKILL);

            return 'never ended';
        }

        return $status['exitcode'] === 0 ? 'survived' : 'found';
    }
}
