<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;

/** What is to be said of how one kind of cable is cut. */
final readonly class CutFindings
{
    /** Reels that are called by name; more are counted. */
    private const NAMED = 3;

    private string $name;

    public function __construct(private CutFacts $facts, private string $cable, private Shelf $shelf)
    {
        $this->name = $facts->cable($cable);
    }

    public function group(Lot $lot): Finding
    {
        return Finding::check(
            'cut.group',
            Subject::loom($lot->needs[0]->group),
            sprintf(
                '%d cuts of %s in one loom are to come off one reel: %s together, and the longest gives %s.',
                count($lot->needs),
                $this->name,
                $lot->length()->canonical(),
                $this->shelf->longest()->canonical(),
            ),
            'They are taken off several reels. Order a longer one if they must match.',
        );
    }

    /**
     * Cuts that nothing gives.
     *
     * @param  list<CutNeeded>  $unmet
     * @return list<Finding>
     */
    public function unmet(array $unmet): array
    {
        $findings = $unsold = [];
        foreach ($unmet as $need) {
            $isLong = ! $this->shelf->longest()->isZero() && $need->length->compare($this->shelf->longest()) > 0;
            if ($this->shelf->sold === [] && ! $isLong) {
                $unsold[] = $need;

                continue;
            }
            $findings[] = Finding::stop(
                'cut.too-long',
                Subject::run($need->run),
                sprintf(
                    $isLong
                        ? '%s needs %s of %s in one piece; the longest reel gives %s.'
                        : '%s needs %s of %s in one piece; the longest reel on sale gives %s, and others take what is '.
                            'on the shelf.',
                    $this->facts->code($need->run),
                    $need->length->canonical(),
                    $this->name,
                    ($isLong ? $this->shelf->longest() : $this->shelf->longestOnSale())->canonical(),
                ),
                'Order it to length, take a cable that comes in longer reels, find it a shorter way, or end it at a '.
                'joint box: cables are not joined on the way.',
            );
        }

        return $unsold === []
            ? $findings
            : [
                ...$findings,
                Finding::check(
                    'cut.not-in-stock',
                    Subject::cable($this->cable),
                    sprintf(
                        '%d cuts of %s find no stock, and nobody said in what lengths it is sold.',
                        count($unsold),
                        $this->name,
                    ),
                    'Enter a reel, or say in the catalogue which reels it comes in.',
                ),
            ];
    }

    /**
     * Reels of which hardly anything stays, where the house asks for no margin.
     *
     * @param  list<Assigned>  $assigned
     * @return list<Finding>
     */
    public function full(array $assigned): array
    {
        $names = [];
        $least = null;
        foreach ($assigned as $each) {
            if ($each->isTight()) {
                $rest = $each->rest();
                $names[] = $each->stock->name;
                $least = $least === null || $rest->compare($least) < 0 ? $rest : $least;
            }
        }

        return $least === null || ! $this->shelf->margin->isZero()
            ? []
            : [
                Finding::note(
                    'cut.no-margin',
                    Subject::cable($this->cable),
                    sprintf(
                        'Hardly anything of %s stays on %s: %s at the least.',
                        $this->name,
                        count($names) > self::NAMED ? count($names).' reels' : implode(', ', $names),
                        $least->canonical(),
                    ),
                    'A damaged end or a reel that is short leaves a cut without cable. Have one more at hand, or ask '.
                    'for a margin on every reel in the rules.',
                ),
            ];
    }

    /**
     * Reels from which nothing that is needed can be cut.
     *
     * @param  list<CutNeeded>  $needs
     * @return list<Finding>
     */
    public function short(array $needs): array
    {
        $shortest = null;
        foreach ($needs as $need) {
            $shortest = $shortest === null || $need->length->compare($shortest) < 0 ? $need->length : $shortest;
        }
        $findings = [];
        foreach ($this->shelf->stock as $each) {
            if (
                $shortest !== null &&
                $each->kind === StockKind::Reel &&
                $this->shelf->gives($each->left, true)->compare($shortest) < 0
            ) {
                $findings[] = Finding::note(
                    'cut.reel-too-short',
                    Subject::reel($each->id),
                    sprintf(
                        '%s has %s of %s left, and the shortest cut is %s.',
                        $each->name,
                        $each->left->canonical(),
                        $this->name,
                        $shortest->canonical(),
                    ),
                    'Nothing comes off it. Measure it again, or take it off the shelf.',
                );
            }
        }

        return $findings;
    }
}
