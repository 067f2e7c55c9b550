<?php

declare(strict_types=1);

namespace App\Http\Resources\Ends;

use App\Planning\Loaded;
use Generator;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Ends\Labelling\SheetGeometry;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Schools\LabelForm;

/**
 * Labels for the screen.
 *
 * @phpstan-type LabelLine array{
 *     id: string,
 *     part: string,
 *     form: value-of<LabelForm>,
 *     kind: string,
 *     run: string,
 *     side: string,
 *     leg: string,
 *     code: string,
 *     line: string,
 *     word: string,
 *     underlined: bool,
 *     turned: string,
 *     colour: string,
 *     place: string,
 *     path: string,
 *     loom: string,
 *     width: string,
 *     height: string,
 *     printed: string,
 *     state: 'new'|'printed'|'changed',
 *     at: string|null,
 *     by: string|null,
 *     why?: string,
 * }
 * @phpstan-type LabelFinding array{severity: value-of<Severity>, subject: string, words: string, remedy: string}
 * @phpstan-type Geometry array{
 *     id: string,
 *     name: string,
 *     columns: int,
 *     rows: int,
 *     width: string,
 *     height: string,
 *     pageWidth: string,
 *     pageHeight: string,
 *     pitchX: string,
 *     pitchY: string,
 *     left: string,
 *     top: string,
 * }
 */
final class LabelResource
{
    /**
     * @param  list<PrintedLabel>  $labels
     * @param  array<int|string, array{fingerprint: string, at: string, by: string}>  $printed
     * @return list<LabelLine>
     */
    public static function lines(array $labels, array $printed, Loaded $loaded): array
    {
        return iterator_to_array(self::each($labels, $printed, $loaded), false);
    }

    /**
     * One after another.
     *
     * @param  list<PrintedLabel>  $labels
     * @param  array<int|string, array{fingerprint: string, at: string, by: string}>  $printed
     * @return Generator<LabelLine>
     */
    public static function each(array $labels, array $printed, Loaded $loaded): Generator
    {
        $parts = $loaded->installation->catalogue->parts();
        $runs = $loaded->installation->runs();
        foreach ($labels as $label) {
            yield [
                'id' => $label->id,
                'part' => $label->part,
                'form' => $label->face->form->value,
                'kind' => $parts[$label->part]->name ?? $label->part,
                'run' => $label->run,
                'side' => $label->side,
                'leg' => $label->leg,
                'code' => $label->marked->text ?? $label->code,
                'line' => $label->line,
                'word' => $label->marked->word ?? '',
                'underlined' => $label->marked->underlined ?? false,
                'turned' => $label->turned,
                'colour' => $label->colour,
                'place' => $label->place,
                'path' => $label->path,
                'loom' => $runs[$label->run]->loom ?? '',
                'width' => $label->face->width->canonical(),
                'height' => $label->face->height->canonical(),
                'printed' => $label->face->printed->canonical(),
                'state' => self::state($label, $printed),
                'at' => $printed[$label->id]['at'] ?? null,
                'by' => $printed[$label->id]['by'] ?? null,
                ...self::why($label, $printed[$label->id]['fingerprint'] ?? ''),
            ];
        }
    }

    /**
     * @param  array<int|string, array{fingerprint: string, at: string, by: string}>  $printed
     * @return 'new'|'printed'|'changed'
     */
    public static function state(PrintedLabel $label, array $printed): string
    {
        return match (true) {
            ! isset($printed[$label->id]) => 'new',
            $label->stands($printed[$label->id]['fingerprint']) => 'printed',
            default => 'changed',
        };
    }

    /** @return array{why?: string} why it is to be printed again though it says the same */
    private static function why(PrintedLabel $label, string $printed): array
    {
        if ($printed === '' || ! $label->differsInMark($printed)) {
            return [];
        }

        return [
            'why' => $label->marked === null
                    ? 'It needs no mark any more: what it read upside down is not in use.'
                    : sprintf('Upside down it reads %s, which is in use: it is marked otherwise now.', $label->turned),
        ];
    }

    /** @return array{end: string, endLine: string, leg: string, legLine: string, limit: int} */
    public static function scheme(LabelScheme $scheme): array
    {
        return [
            'end' => $scheme->end,
            'endLine' => $scheme->endLine,
            'leg' => $scheme->leg,
            'legLine' => $scheme->legLine,
            'limit' => $scheme->limit,
        ];
    }

    /** @return list<Geometry> */
    public static function geometries(): array
    {
        return array_map(
            static fn (SheetGeometry $sheet): array => [
                'id' => $sheet->id,
                'name' => $sheet->name,
                'columns' => $sheet->columns,
                'rows' => $sheet->rows,
                'width' => $sheet->width->canonical(),
                'height' => $sheet->height->canonical(),
                'pageWidth' => $sheet->pageWidth->canonical(),
                'pageHeight' => $sheet->pageHeight->canonical(),
                'pitchX' => $sheet->pitchX->canonical(),
                'pitchY' => $sheet->pitchY->canonical(),
                'left' => $sheet->left->canonical(),
                'top' => $sheet->top->canonical(),
            ],
            SheetGeometry::usual(),
        );
    }

    /** @return list<LabelFinding> */
    public static function findings(Loaded $loaded): array
    {
        $findings = array_filter(
            $loaded->plan()->findings(),
            static fn (Finding $finding): bool => str_starts_with($finding->code, 'label.'),
        );

        return array_map(
            static fn (Finding $finding): array => [
                'severity' => $finding->severity->value,
                'subject' => $finding->subject->text(),
                'words' => $finding->words,
                'remedy' => $finding->remedy,
            ],
            array_values($findings),
        );
    }
}
