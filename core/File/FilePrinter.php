<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Generator;

/**
 * Prints a file piece by piece, in the very spelling of {@see InstallationFile::print()}, so that nobody has all of it
 * in memory. Its long lists are given apart, thing by thing.
 */
final class FilePrinter
{
    /** As json_encode lays out what it prints. */
    private const STEP = '    ';

    /** Octets of a piece, about. */
    private const PIECE = 64_000;

    /**
     * @param  InstallationFile  $file  everything but what is given apart
     * @param  array<string, iterable<array<array-key, mixed>>>  $apart  list of the file → its things, in the file's
     *     shape; in the place of the file's own
     * @return Generator<int, string> pieces: one after the other they are the file
     *
     * @throws \JsonException where a text is no UTF-8
     */
    public static function pieces(InstallationFile $file, array $apart): Generator
    {
        $piece = '';
        foreach (self::texts(FileEncoder::file($file), $apart) as $text) {
            $piece .= $text;
            if (strlen($piece) >= self::PIECE) {
                yield $piece;
                $piece = '';
            }
        }

        yield $piece."\n}\n";
    }

    /**
     * @param  array<array-key, mixed>  $data
     * @param  array<string, iterable<array<array-key, mixed>>>  $apart
     * @return Generator<int, string>
     */
    private static function texts(array $data, array $apart): Generator
    {
        $before = '{';
        foreach ($data as $name => $value) {
            yield $before."\n".self::STEP.self::json((string) $name).': ';
            if (isset($apart[$name])) {
                yield from self::list($apart[$name]);
            } else {
                yield self::indented($value, 1);
            }
            $before = ',';
        }
    }

    /**
     * @param  iterable<array<array-key, mixed>>  $things
     * @return Generator<int, string>
     */
    private static function list(iterable $things): Generator
    {
        $before = '[';
        foreach ($things as $thing) {
            yield $before."\n".self::STEP.self::STEP.self::indented($thing, 2);
            $before = ',';
        }

        yield $before === '[' ? '[]' : "\n".self::STEP.']';
    }

    /** Within a text a line never breaks: JSON writes that as an escape. */
    private static function indented(mixed $value, int $deep): string
    {
        return str_replace("\n", "\n".str_repeat(self::STEP, $deep), self::json($value));
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, InstallationFile::JSON);
    }
}
