<?php

declare(strict_types=1);

namespace App\Http\Resources\Ends;

use App\Http\Requests\Ends\LabelsShown;

/**
 * Of thousands of labels the ones that somebody looks at, and how many there are of the others.
 *
 * @phpstan-import-type LabelLine from LabelResource
 *
 * @phpstan-type LabelKind array{id: string, name: string, left: int, shown: int}
 * @phpstan-type LabelsChosen array{
 *     part: string,
 *     labels: list<LabelLine>,
 *     ids: list<string>,
 *     of: int,
 *     kinds: list<LabelKind>,
 *     looms: list<array{id: string, name: string}>,
 *     counts: array{left: int, changed: int, all: int},
 * }
 */
final readonly class LabelChoice
{
    /** Lines of one answer. */
    private const SOME = 200;

    /** @param  list<LabelLine>  $lines  all of them */
    public function __construct(private array $lines)
    {
    }

    /**
     * @param  array<int|string, string>  $names  of looms, by id
     * @return LabelsChosen
     */
    public function of(LabelsShown $asked, array $names): array
    {
        $kinds = $looms = [];
        $counts = ['left' => 0, 'changed' => 0, 'all' => count($this->lines)];
        foreach ($this->lines as $line) {
            $kinds[$line['part']] ??= ['id' => $line['part'], 'name' => $line['kind'], 'left' => 0, 'shown' => 0];
            $kinds[$line['part']]['left'] += (int) self::isIn('left', $line);
            $kinds[$line['part']]['shown'] += (int) self::isAmong($line, '', $asked);
            $looms[$line['loom']] = $line['loom'];
            $counts['left'] += (int) self::isIn('left', $line);
            $counts['changed'] += (int) self::isIn('changed', $line);
        }
        $part = $asked->usual ? self::most($kinds) : $asked->part;
        $chosen = array_values(
            array_filter($this->lines, static fn (array $line): bool => self::isAmong($line, $part, $asked)),
        );
        unset($looms['']);
        $looms = array_map(
            static fn (string $id): array => ['id' => $id, 'name' => $names[$id] ?? $id],
            array_values($looms),
        );
        usort($looms, static fn (array $a, array $b): int => strnatcasecmp($a['name'], $b['name']));

        return [
            'part' => $part,
            'labels' => array_slice($chosen, $asked->from, self::SOME),
            // With the first ones: they are what is printed.
            'ids' => $asked->from === 0 ? array_column($chosen, 'id') : [],
            'of' => count($chosen),
            'kinds' => array_values($kinds),
            'looms' => $looms,
            'counts' => $counts,
        ];
    }

    /** @param  LabelLine  $line */
    private static function isAmong(array $line, string $part, LabelsShown $asked): bool
    {
        return ($part === '' || $line['part'] === $part) &&
            ($asked->loom === '' || $line['loom'] === $asked->loom || $line['run'] === $asked->loom) &&
            self::isIn($asked->only, $line);
    }

    /** @param  LabelLine  $line */
    private static function isIn(string $only, array $line): bool
    {
        return match ($only) {
            'left' => $line['state'] !== 'printed',
            'changed' => $line['state'] === 'changed',
            default => true,
        };
    }

    /** @param  array<int|string, LabelKind>  $kinds */
    private static function most(array $kinds): string
    {
        $most = ['id' => '', 'left' => -1];
        foreach ($kinds as $kind) {
            $most = $kind['left'] > $most['left'] ? $kind : $most;
        }

        return $most['id'];
    }
}
