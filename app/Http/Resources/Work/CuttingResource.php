<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Contract\FileParts;
use App\Planning\KeptCuts;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\MarkUnit;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\Assigned;
use Sartal\Core\Work\Cutting\CablePlan;
use Sartal\Core\Work\Cutting\Cut;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutNeeded;
use Sartal\Core\Work\Cutting\Stock;
use Sartal\Core\Work\Cutting\StockKind;

/**
 * Every reel with what comes off it, in order, and its marks.
 *
 * @phpstan-import-type FileReel from FileParts
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 * @phpstan-import-type CutTold from KeptCuts
 *
 * @phpstan-type Cutting array{
 *     usable: string,
 *     margin: string,
 *     cables: list<CuttingCable>,
 *     reels: list<array{part: FileReel, version: int}>,
 *     findings: list<FindingShown>,
 *     recorded: list<CutRecorded>,
 * }
 * @phpstan-type CuttingCable array{
 *     id: string,
 *     name: string,
 *     sheath: string,
 *     diameter: string,
 *     needed: string,
 *     onShelf: string,
 *     bought: int,
 *     atLeast: int,
 *     reel: string|null,
 *     scrap: string,
 *     kept: string,
 *     assigned: list<CuttingAssigned>,
 *     untouched: list<CuttingStock>,
 *     unmet: list<array{code: string, length: string}>,
 *     findings: list<FindingShown>,
 * }
 * @phpstan-type CuttingAssigned array{
 *     stock: CuttingStock,
 *     cuts: list<CuttingCut>,
 *     used: string,
 *     rest: string,
 *     usable: bool,
 *     tight: bool,
 * }
 * @phpstan-type CuttingStock array{
 *     id: string,
 *     name: string,
 *     kind: value-of<StockKind>,
 *     left: string,
 *     gone: string,
 *     marks: array{unit: value-of<MarkUnit>, rising: bool, at: float}|null,
 * }
 * @phpstan-type CuttingCut array{
 *     run: string,
 *     basis: list<string>,
 *     code: string,
 *     loom: string,
 *     from: string,
 *     to: string,
 *     build: value-of<Build>,
 *     length: string,
 *     at: string,
 *     markFrom: float|null,
 *     markTo: float|null,
 *     worked: WorkedOut,
 * }
 * @phpstan-type CutRecorded array{
 *     code: string,
 *     length: string|null,
 *     reel: string,
 *     from: float|null,
 *     to: float|null,
 *     short: bool,
 *     who: string,
 *     at: string,
 *     note: string,
 * }
 */
final readonly class CuttingResource
{
    /** @param  array<int|string, string>  $told  what is told of each cut, as JSON, by run */
    private function __construct(private CutFacts $facts, private array $told)
    {
    }

    /**
     * With what a cut that is recorded now is recorded on.
     *
     * @param  Cutting  $cutting
     * @param  array<int|string, AssemblyStanding>  $standings  by assembly
     * @return Cutting
     */
    public static function standing(array $cutting, array $standings): array
    {
        $basis = [];
        foreach ($standings as $standing) {
            $basis += array_fill_keys(array_keys($standing->runs), $standing->basis);
        }
        foreach ($cutting['cables'] as $c => $cable) {
            foreach ($cable['assigned'] as $a => $assigned) {
                foreach ($assigned['cuts'] as $i => $cut) {
                    $assigned['cuts'][$i]['basis'] = $basis[$cut['run']] ?? [];
                }
                $cable['assigned'][$a] = $assigned;
            }
            $cutting['cables'][$c] = $cable;
        }

        return $cutting;
    }

    /**
     * What follows from decisions and from what was cut.
     *
     * @param  array<int|string, int>  $versions  of reels
     * @param  array<int|string, string>  $people  what the record calls them by → name
     * @return Cutting
     */
    public static function of(KeptCuts $cuts, Record $record, array $versions, array $people): array
    {
        $facts = $cuts->facts();
        $plan = $cuts->plan($record);
        $of = new self($facts, $cuts->told());

        return [
            'usable' => $facts->usable->canonical(),
            'margin' => $facts->margin->canonical(),
            'cables' => array_map($of->cable(...), array_values($plan->cables)),
            'reels' => array_map(
                static fn (Reel $reel): array => [
                    'part' => StockCodec::encodeReel($reel),
                    'version' => $versions[$reel->id] ?? 0,
                ],
                array_values($facts->reels),
            ),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings()),
            'recorded' => $of->recorded($record, $people),
        ];
    }

    /** @return CuttingCable */
    private function cable(CablePlan $plan): array
    {
        $onShelf = Length::zero();
        foreach (
            [
                ...array_map(static fn (Assigned $each): Stock => $each->stock, $plan->assigned),
                ...$plan->untouched,
            ] as $stock
        ) {
            $onShelf = $stock->kind === StockKind::ToBuy ? $onShelf : $onShelf->plus($stock->left);
        }
        $type = $this->facts->cables[$plan->cable] ?? null;

        return [
            'id' => $plan->cable,
            'name' => $this->facts->cable($plan->cable),
            'sheath' => $type->sheath ?? '',
            'diameter' => $type?->outerDiameter->canonical() ?? '',
            'needed' => $plan->needed()->canonical(),
            'onShelf' => $onShelf->canonical(),
            'bought' => $plan->bought,
            'atLeast' => $plan->atLeast,
            'reel' => $plan->reel?->canonical(),
            'scrap' => $plan->scrap->canonical(),
            'kept' => $plan->kept->canonical(),
            'assigned' => array_map($this->assigned(...), $plan->assigned),
            'untouched' => array_map(self::stock(...), $plan->untouched),
            'unmet' => array_map(
                fn (CutNeeded $need): array => [
                    'code' => $this->facts->code($need->run),
                    'length' => $need->length->canonical(),
                ],
                $plan->unmet,
            ),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings),
        ];
    }

    /** @return CuttingAssigned */
    private function assigned(Assigned $assigned): array
    {
        return [
            'stock' => self::stock($assigned->stock),
            'cuts' => array_map($this->cut(...), $assigned->cuts),
            'used' => $assigned->used()->canonical(),
            'rest' => $assigned->rest()->canonical(),
            'usable' => $assigned->rest()->compare($this->facts->usable) >= 0,
            'tight' => $assigned->isTight(),
        ];
    }

    /** @return CuttingStock */
    private static function stock(Stock $stock): array
    {
        return [
            'id' => $stock->id,
            'name' => $stock->name,
            'kind' => $stock->kind->value,
            'left' => $stock->left->canonical(),
            'gone' => $stock->gone->canonical(),
            'marks' => $stock->marks === null
                    ? null
                    : [
                        'unit' => $stock->marks->unit->value,
                        'rising' => $stock->marks->rising,
                        'at' => round($stock->marks->start, 2),
                    ],
        ];
    }

    /** @return CuttingCut */
    private function cut(Cut $cut): array
    {
        /** @var CutTold $told */
        $told = json_decode($this->told[$cut->run], true, flags: JSON_THROW_ON_ERROR);

        return [
            'run' => $cut->run,
            'basis' => [],
            'code' => $this->facts->code($cut->run),
            'loom' => $told['loom'],
            'from' => $told['from'],
            'to' => $told['to'],
            'build' => $told['build'],
            'length' => $cut->length->canonical(),
            'at' => $cut->at->canonical(),
            'markFrom' => $cut->from === null ? null : round($cut->from, 2),
            'markTo' => $cut->to === null ? null : round($cut->to, 2),
            'worked' => $told['worked'],
        ];
    }

    /**
     * @param  array<int|string, string>  $people
     * @return list<CutRecorded> cuts that somebody measured, the last first
     */
    private function recorded(Record $record, array $people): array
    {
        $cuts = array_filter(
            $record->events(),
            static fn (Event $event): bool => $event->kind === EventKind::Cut && $event->cut()?->planned === false,
        );
        usort($cuts, static fn (Event $a, Event $b): int => $b->received <=> $a->received);

        return array_map(
            fn (Event $event): array => [
                'code' => $this->facts->code($event->run),
                'length' => $event->cut()?->length->canonical(),
                'reel' => $event->cut()->reel ?? '',
                'from' => $event->cut()?->from,
                'to' => $event->cut()?->to,
                'short' => $event->cut() !== null &&
                    isset($this->facts->runs[$event->run]) &&
                    $event->cut()->length->compare($this->facts->runs[$event->run]->length->now) < 0,
                'who' => $people[$event->by] ?? $event->by,
                'at' => $event->at,
                'note' => $event->note,
            ],
            array_slice($cuts, 0, 30),
        );
    }
}
