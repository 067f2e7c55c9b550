<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Proof\Record\EventKind;

/** What is open, what was left out and why, and what departs from the plans by hand. */
final class ExceptionsChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $book->heading('Open at the time of this pack');
        if ($packing->gaps === []) {
            $book->line('Nothing.');
        }
        foreach ($packing->gaps as $gap) {
            $book->line(
                trim($gap->code.': '.$gap->kind->words().($gap->words === '' ? '' : ' ('.$gap->words.')')),
            );
        }
        $book->heading('Left out, with the reason');
        $none = true;
        foreach ($packing->loaded->record->events() as $event) {
            if ($event->kind === EventKind::Skipped) {
                $none = false;
                $book->line(
                    sprintf(
                        '%s%s: %s. %s, %s',
                        $packing->loaded->installation->runs()[$event->run]->code ?? $event->run,
                        $event->side === null ? '' : ' end '.$event->side->value,
                        $event->note,
                        $packing->person($event->by),
                        substr($event->at, 0, 10),
                    ),
                );
            }
        }
        if ($none) {
            $book->line('Nothing.');
        }
        $book->heading('Joined by hand');
        $none = true;
        foreach ($packing->loaded->installation->runs() as $run) {
            foreach (['A' => $run->a, 'B' => $run->b] as $side => $end) {
                foreach ($run->withdrawn ? [] : $end->handJoints as $joint) {
                    $none = false;
                    $book->line(
                        sprintf(
                            '%s end %s: %s to %s, because %s',
                            $run->code,
                            $side,
                            $joint->conductor,
                            $joint->to ?? 'nothing',
                            $joint->reason,
                        ),
                    );
                }
            }
        }
        if ($none) {
            $book->line('Nothing.');
        }
        $book->heading('To check, by the plan');
        foreach ($packing->loaded->plan()->findings() as $finding) {
            if ($finding->severity !== Severity::Note) {
                $book->line($finding->words);
            }
        }
    }
}
