<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Documents\Drawing\LengthText;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Parts\PartsPlanner;

/** What went into it. */
final class PartsChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $loaded = $packing->loaded;
        $list = PartsPlanner::planned($loaded->installation, $loaded->plan(), $loaded->record)->list(
            array_map(strval(...), array_keys($loaded->installation->runs())),
        );
        $book->table([[0, 'Kind'], [32, 'Part'], [128, 'Colour'], [150, 'Used']]);
        foreach ($list->lines as $line) {
            if ($line->needed->value > 0.0) {
                $book->row([
                    $line->group,
                    $line->name,
                    $line->colour,
                    $line->unit === 'm'
                        ? LengthText::long(Length::metres($line->needed->value), $packing->units)
                        : Figure::amount($line->needed->value, $line->unit, 0),
                ]);
            }
        }
    }
}
