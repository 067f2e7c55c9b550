<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Cutting\CutPlan;
use Sartal\Core\Work\Cutting\StockKind;

/**
 * Adds up what is asked for: spares on small parts, what kits give back and
 * the shelf taken off, packs rounded up once for the whole list.
 */
final readonly class Counter
{
    /** Kinds that get lost or spoiled, and are bought with spares. */
    private const SMALL = [
        PartKind::Contact,
        PartKind::Ferrule,
        PartKind::WireFerrule,
        PartKind::Label,
        PartKind::Tie,
        PartKind::Hardware,
    ];

    public function __construct(private Supplies $supplies)
    {
    }

    /**
     * @param  list<Ask>  $asks
     * @param  ?CutPlan  $cuts  where cable is to be listed by reel: what is not on the shelf is bought by the reel
     */
    public function count(array $asks, ?CutPlan $cuts = null): PartsList
    {
        $grouped = [];
        foreach ($asks as $ask) {
            $grouped[$ask->sort->value.' '.$ask->id][] = $ask;
        }
        $lines = [];
        foreach ($grouped as $of) {
            $lines[] = $of[0]->sort === Sort::Cable ? $this->cable($of, $cuts) : $this->pieces($of);
        }
        $order = array_flip([
            'cable',
            'connector',
            ...array_map(static fn (PartKind $kind): string => $kind->value, PartKind::cases()),
        ]);
        usort(
            $lines,
            static fn (PartsLine $a, PartsLine $b): int => ($order[$a->group] ?? 99) <=> ($order[$b->group] ?? 99) ?:
            $a->name <=> $b->name,
        );
        $cost = 0.0;
        $unpriced = [];
        foreach ($lines as $line) {
            if ($line->cost() === null) {
                $unpriced[] = $line->name;
            }
            $cost += $line->cost() ?? 0.0;
        }

        return new PartsList($lines, $cost, $unpriced);
    }

    /** @param  non-empty-list<Ask>  $asks */
    private function pieces(array $asks): PartsLine
    {
        $id = $asks[0]->id;
        $part = $asks[0]->sort === Sort::Part ? $this->supplies->parts[$id] ?? null : null;
        $byLength = self::isByLength($part);
        [$needed, $returned] = [0.0, 0.0];
        foreach ($asks as $ask) {
            $needed += max(0.0, $ask->amount);
            $returned += max(0.0, -$ask->amount);
        }
        $spares =
            $part !== null && in_array($part->kind, self::SMALL, true) && $needed > 0
                ? ceil(($needed * $this->supplies->economy->spares) / 100)
                : 0.0;
        $stock = (float) ($this->supplies->economy->stock[$id] ?? 0);
        $short = max(0.0, $needed + $spares - $returned - $stock);
        $pack = $byLength ? (float) $part?->length?->inMetres() : (float) max(1, $part->pack ?? 1);
        $price = $this->supplies->economy->prices[$id] ?? null;
        $name = $part->name ?? ($this->supplies->connectors[$id] ?? $id);
        $unit = match (true) {
            $byLength => 'm',
            $part?->kind === PartKind::Solder => 'joints',
            default => 'pcs',
        };

        return new PartsLine(
            $asks[0]->sort,
            $id,
            $name,
            $part === null ? 'connector' : $part->kind->value,
            $part->colour ?? '',
            $unit,
            self::figure($asks, $unit, $needed),
            $spares,
            $returned,
            $stock,
            $short,
            $pack,
            (int) ceil($short / $pack - 1e-9),
            $price,
            $price === null ? null : ($price * $needed) / $pack,
        );
    }

    /** @param  non-empty-list<Ask>  $asks */
    private function cable(array $asks, ?CutPlan $cuts): PartsLine
    {
        $id = $asks[0]->id;
        $needed = array_sum(array_map(static fn (Ask $ask): float => $ask->amount, $asks));
        $plan = $cuts->cables[$id] ?? null;
        $fromShelf = 0.0;
        [$bought, $short] = [0.0, 0.0];
        $reels = 0;
        $sources = $lengths = [];
        foreach ($plan->assigned ?? [] as $assigned) {
            if ($assigned->stock->kind === StockKind::ToBuy) {
                $length = $assigned->stock->left;
                $bought += $length->inMetres();
                $lengths[$length->nanometres] = ($lengths[$length->nanometres] ?? 0) + 1;
                $short += $assigned->used()->inMetres();
                $reels++;
            } else {
                $sources[] = $assigned->stock->name;
                $fromShelf += $assigned->used()->inMetres();
            }
        }
        krsort($lengths);
        $price = $this->supplies->economy->prices[$id] ?? null;
        $perReel = $reels > 0 ? $bought / $reels : 0.0;

        return new PartsLine(
            Sort::Cable,
            $id,
            $this->supplies->cables[$id]->name ?? $id,
            'cable',
            $this->supplies->cables[$id]->sheath ?? '',
            'm',
            self::figure($asks, 'm', $needed),
            0.0,
            0.0,
            $fromShelf,
            $short,
            $perReel > 0 ? $perReel : 1.0,
            $reels,
            $price === null ? null : $price * ($perReel > 0 ? $perReel : 1.0),
            $price === null ? null : $price * $needed,
            $sources,
            array_map(
                static fn (int $length, int $count): array => [
                    'metres' => Length::nanometres($length)->inMetres(),
                    'count' => $count,
                ],
                array_keys($lengths),
                array_values($lengths),
            ),
        );
    }

    public static function isByLength(?Part $part): bool
    {
        return $part !== null &&
            $part->length !== null &&
            in_array($part->kind, [PartKind::Sleeve, PartKind::Shrink], true);
    }

    /** @param  non-empty-list<Ask>  $asks */
    private static function figure(array $asks, string $unit, float $needed): Figure
    {
        $digits = $unit === 'm' ? 2 : 0;

        return new Figure(
            $needed,
            $unit,
            array_map(
                static fn (Ask $ask): FigureTerm => new FigureTerm(
                    $ask->for,
                    '',
                    Figure::amount($ask->amount, $unit, $digits),
                    '',
                ),
                $asks,
            ),
            $digits,
        );
    }
}
