<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Opening\EndOpener;
use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Bench\SheetLeg;

/** What opening an end into its legs takes: sleeving by the metre, short pieces of shrink, a boot. */
final class OpeningParts
{
    /** Of shrink over the neck of a boot or the end of a sleeve, m: common practice. */
    private const PIECE = 0.04;

    /**
     * @param  Length  $cut  how long the run is cut
     * @return list<Ask> sleeving of the whole run at the end that it comes over, and nowhere else
     */
    public static function list(OpenedEnd $opened, Length $cut, string $run, string $where): array
    {
        $asks = [];
        foreach ($opened->slidHere() as $name => $slide) {
            $along = $name === EndOpener::SLEEVING ? $cut : $opened->sleeved;
            $amount = match ($slide->part->kind) {
                PartKind::Sleeve => SleeveChoice::cut($along)->result->inMetres(),
                PartKind::Shrink => self::PIECE,
                default => 1.0,
            };
            $asks[] = new Ask(Sort::Part, $slide->part->id, $amount, $run, $where.', '.$slide->note);
        }

        return $asks;
    }

    /** @return list<Ask> a leg's own sleeving, and what holds its ends */
    public static function sleeving(SheetLeg $leg, string $run, string $where): array
    {
        $sleeving = $leg->sleeving;
        if ($sleeving === null) {
            return [];
        }
        $where .= ', leg '.$leg->leg->label;
        $along = SleeveChoice::cut($sleeving->along, 'the leg')->result->inMetres();
        $asks = [new Ask(Sort::Part, $sleeving->sleeve->id, $along, $run, $where.' sleeved')];
        if ($sleeving->ends !== null) {
            $asks[] = new Ask(
                Sort::Part,
                $sleeving->ends->id,
                LegSleeving::PIECES * self::PIECE,
                $run,
                $where.', ends of its sleeving',
            );
        }

        return $asks;
    }
}
