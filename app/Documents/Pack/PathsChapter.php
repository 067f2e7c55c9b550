<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use Sartal\Core\Later\Service\CircuitTracer;
use Sartal\Core\Later\Service\TraceStep;

/** Every circuit from end to end, through every connector. */
final class PathsChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $tracer = new CircuitTracer($packing->loaded->installation, $packing->loaded->plan());
        foreach ($packing->loaded->installation->circuits() as $id => $circuit) {
            $steps = $tracer->circuit((string) $id);
            if ($steps === []) {
                continue;
            }
            $book->line($circuit->name, bold: true);
            foreach (self::parts($steps) as [$depth, $words]) {
                $book->line($words, 4 + 4 * min($depth, 6));
            }
            $book->space(1);
        }
    }

    /**
     * Branch by branch: what lies in a row is said in a row.
     *
     * @param  list<TraceStep>  $steps
     * @return list<array{int, string}>
     */
    private static function parts(array $steps): array
    {
        $parts = [];
        foreach ($steps as $step) {
            $words = trim(
                match ($step->kind) {
                    'run' => $step->name,
                    'mating', 'jumper', 'device' => $step->name,
                    'port' => 'port '.$step->name,
                    default => $step->name.' ('.$step->place.': '.implode(', ', $step->contacts).')',
                },
            );
            $last = $parts === [] ? null : array_pop($parts);
            if ($last !== null && $last[0] === $step->depth) {
                $parts[] = [$step->depth, $last[1].' – '.$words];
            } else {
                array_push($parts, ...$last === null ? [] : [$last], ...[[$step->depth, $words]]);
            }
        }

        return $parts;
    }
}
