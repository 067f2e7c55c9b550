<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ways\Dressing\LoomDress;

/** What dressing a loom takes: sleeve, shrink, ties. */
final class LoomParts
{
    /** @return list<Ask> */
    public static function list(LoomDress $dress): array
    {
        $name = $dress->shape->loom->name;
        $asks = [];
        foreach ($dress->segments as $segment) {
            foreach ([...$segment->sleeve === null ? [] : [$segment->sleeve], ...$segment->shrinks] as $piece) {
                $asks[] = new Ask(
                    Sort::Part,
                    $piece->part->id,
                    $piece->cut->result->inMetres(),
                    '',
                    $name.', '.$piece->for,
                );
            }
            if ($segment->tie !== null) {
                $asks[] = new Ask(
                    Sort::Part,
                    $segment->tie->id,
                    (float) count($segment->points),
                    '',
                    $name.', along '.$segment->segment->way->name,
                );
            }
        }

        return $asks;
    }
}
