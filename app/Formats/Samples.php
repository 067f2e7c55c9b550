<?php

declare(strict_types=1);

namespace App\Formats;

/**
 * The samples that ship, in their order: a file each, which begins with where it stands among them.
 *
 * @phpstan-import-type Ships from Sample
 *
 * @phpstan-type SampleShown array{id: string, name: string, words: string}
 */
final class Samples
{
    /** @return array<int|string, Sample> by id */
    public static function all(): array
    {
        $samples = [];
        foreach (glob(database_path('samples/*.json')) ?: [] as $path) {
            /** @var Ships $ships */
            $ships = json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR);
            $id = (string) preg_replace('~^\d+-~', '', basename($path, '.json'));
            $samples[$id] = new Sample($id, $ships);
        }

        return $samples;
    }

    /**
     * @param  string  $id  "" the first
     *
     * @throws BadLine
     */
    public static function find(string $id): Sample
    {
        $all = self::all();
        $sample = $id === '' ? reset($all) : $all[$id] ?? null;
        if (! $sample instanceof Sample) {
            $remedy = sprintf('There is no such sample. Choose one of these: %s.', implode(', ', array_keys($all)));
            throw BadLine::because('sample', $id, $remedy);
        }

        return $sample;
    }

    /** @return list<SampleShown> */
    public static function shown(): array
    {
        return array_values(
            array_map(
                static fn (Sample $each): array => [
                    'id' => $each->id,
                    'name' => $each->name(),
                    'words' => $each->words(),
                ],
                self::all(),
            ),
        );
    }
}
