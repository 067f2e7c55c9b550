<?php

declare(strict_types=1);

namespace Tests\Mutation;

use PhpParser\NodeTraverser;
use PhpParser\ParserFactory;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** As many mutants of a room as are asked for, drawn by a seed. */
final class Choice
{
    /** @return list<Mutant> of every file below a folder, in the order of files and lines */
    public static function all(string $root, string $folder): array
    {
        $parser = (new ParserFactory())->createForNewestSupportedVersion();
        $found = [];
        foreach (self::files($root.'/'.$folder) as $path) {
            $source = (string) file_get_contents($path);
            $mutations = new Mutations(substr($path, strlen($root) + 1), $source);
            $traverser = new NodeTraverser($mutations);
            $traverser->traverse($parser->parse($source) ?? []);
            array_push($found, ...$mutations->found);
        }

        return $found;
    }

    /**
     * @param  list<Mutant>  $all
     * @return list<Mutant>
     */
    public static function of(array $all, int $count, string $seed): array
    {
        $random = new Randomizer(new Mt19937((int) hexdec(substr(hash('sha256', $seed), 0, 8))));
        $keys = count($all) <= $count ? array_keys($all) : $random->pickArrayKeys($all, $count);
        sort($keys);

        return array_map(static fn (int $key): Mutant => $all[$key], $keys);
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $files = [];
        $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
                $files[] = $file->getPathname();
            }
        }
        sort($files);

        return $files;
    }
}
