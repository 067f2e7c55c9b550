<?php

declare(strict_types=1);

namespace App\Recording;

use App\Formats\BadLine;
use App\Planning\Loaded;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Work\Cutting\Stock;
use Sartal\Core\Work\Cutting\StockTake;

/** Whether a cut that somebody reports can have come off what they say it came off. */
final class CutOff
{
    /** @throws BadLine */
    public static function check(CutMade $cut, Run $run, Loaded $loaded): void
    {
        if ($cut->length->isZero()) {
            throw BadLine::because('length', '0', 'Say how long the piece is.');
        }
        if ($cut->reel === null) {
            return;
        }
        $stock = self::stock($cut->reel, $loaded);
        if ($stock === null) {
            throw BadLine::because(
                'reel',
                $cut->reel,
                'There is no such reel in stock. Enter it first, or choose another.',
            );
        }
        if ($stock->cable !== $run->cable) {
            throw BadLine::because(
                'reel',
                $stock->name,
                sprintf(
                    'It holds %s, and %s is made of %s.',
                    self::cable($stock->cable, $loaded),
                    $run->code,
                    self::cable($run->cable, $loaded),
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

    private static function stock(string $id, Loaded $loaded): ?Stock
    {
        $lengths = $loaded->plan()->runs->map(static fn (RunPlan $plan): Worked => $plan->cut);
        foreach (StockTake::stock($loaded->installation, $loaded->record, $lengths) as $stock) {
            if ($stock->id === $id) {
                return $stock;
            }
        }

        return null;
    }

    private static function cable(string $id, Loaded $loaded): string
    {
        return $loaded->installation->catalogue->cables()[$id]->name ?? $id;
    }
}
