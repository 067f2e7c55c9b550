<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use Sartal\Core\Given\Installation\Panel;

/** Panels as they are seen from behind, each place with what sits in it. */
final class PanelsChapter
{
    private const MOST = 180.0;

    public static function write(Book $book, PackContents $packing): void
    {
        $panels = $packing->loaded->installation->panels();
        if ($panels === []) {
            $book->line('There is no panel with places.');
        }
        foreach ($panels as $panel) {
            $book->heading(
                $panel->name,
                $packing->loaded->installation->locationName($panel->location).', seen from behind',
            );
            self::draw($book, $panel, $packing);
            $book->table([[0, 'Place'], [24, 'Connector'], [70, 'Cables']]);
            foreach ($panel->places as $place => $fitting) {
                $book->row([
                    (string) $place,
                    $packing->loaded->installation->fittings()[$fitting]->label ?? $fitting,
                    implode(', ', self::cables($fitting, $packing)),
                ]);
            }
        }
    }

    private static function draw(Book $book, Panel $panel, PackContents $packing): void
    {
        $width = $panel->left->inMillimetres() * 2 + $panel->pitch->inMillimetres() * max(0, $panel->columns - 1);
        $scale = min(1.0, self::MOST / max(1.0, $width));
        $height =
            ($panel->top->inMillimetres() * 2 + $panel->rise->inMillimetres() * max(0, $panel->rows - 1)) * $scale;
        $top = $book->drawing($height + 8);
        $canvas = $book->canvas;
        $canvas->box(Book::LEFT, $top, $width * $scale, $height, '#ffffff');
        $radius = min(9.0, 0.36 * $panel->pitch->inMillimetres() * $scale);
        for ($row = 1; $row <= $panel->rows; $row++) {
            for ($column = 1; $column <= $panel->columns; $column++) {
                $x =
                    Book::LEFT +
                    ($panel->left->inMillimetres() + ($column - 1) * $panel->pitch->inMillimetres()) * $scale;
                $y = $top + ($panel->top->inMillimetres() + ($row - 1) * $panel->rise->inMillimetres()) * $scale;
                $fitting = $panel->places[$row.'-'.$column] ?? '';
                $canvas->circle($x, $y, $radius, $fitting === '' ? '' : '#f7f4ee');
                if ($fitting !== '') {
                    $canvas->text(
                        $x,
                        $y + 0.8,
                        Book::cut($packing->loaded->installation->fittings()[$fitting]->label ?? $fitting, 12),
                        2.1,
                        'middle',
                    );
                }
            }
        }
    }

    /** @return list<string> */
    private static function cables(string $fitting, PackContents $packing): array
    {
        $codes = [];
        foreach ($packing->loaded->installation->runs() as $run) {
            if (! $run->withdrawn && in_array($fitting, $run->fittings(), true)) {
                $codes[] = $run->code;
            }
        }

        return $codes;
    }
}
