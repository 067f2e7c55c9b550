<?php

declare(strict_types=1);

namespace App\Documents\Pack;

/** What every label says, and which of them read otherwise upside down. */
final class LabelsChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $plan = $packing->loaded->plan();
        $book->table([[0, 'Code'], [34, 'End'], [50, 'Second line'], [120, 'Upside down']]);
        foreach ($packing->loaded->installation->runs() as $run) {
            foreach ($run->withdrawn ? [] : $plan->runs[$run->id]->labels as $label) {
                $book->row([$label->code, $label->end, $label->line, $plan->rotations()[$label->code] ?? '']);
            }
        }
    }
}
