<?php

declare(strict_types=1);

namespace App\Recording;

use App\Formats\BadLine;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Stock;
use Sartal\Core\Work\Cutting\StockTake;

/** Whether a cut that somebody reports can have come off what they say it came off. */
final class CutOff
{
    /** @throws BadLine */
    public static function check(CutMade $cut, string $run, CutFacts $facts, Record $record): void
    {
        if ($cut->length->isZero()) {
            throw BadLine::because('length', '0', 'Say how long the piece is.');
        }
        if ($cut->reel === null) {
            return;
        }
        $stock = self::stock($cut->reel, $facts, $record);
        if ($stock === null) {
            throw BadLine::because(
                'reel',
                $cut->reel,
                'There is no such reel in stock. Enter it first, or choose another.',
            );
        }
        $of = $facts->runs[$run]->cable ?? '';
        if ($stock->cable !== $of) {
            throw BadLine::because(
                'reel',
                $stock->name,
                sprintf(
                    'It holds %s, and %s is made of %s.',
                    $facts->cable($stock->cable),
                    $facts->code($run),
                    $facts->cable($of),
                ),
            );
        }
        if ($cut->length->compare($stock->left) > 0) {
            throw BadLine::because(
                'length',
                $cut->length->canonical(),
                sprintf(
                    '%s has %s left. Measure again, or correct the length of the reel in stock.',
                    $stock->name,
                    $stock->left->canonical(),
                ),
            );
        }
    }

    private static function stock(string $id, CutFacts $facts, Record $record): ?Stock
    {
        foreach (StockTake::stock($facts, $record) as $stock) {
            if ($stock->id === $id) {
                return $stock;
            }
        }

        return null;
    }
}
