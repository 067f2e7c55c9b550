<?php

declare(strict_types=1);

namespace App\Documents;

use App\Documents\Drawing\Canvas;
use App\Documents\Drawing\Colours;
use App\Documents\Drawing\LengthText;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Work\Cutting\Assigned;
use Sartal\Core\Work\Cutting\CablePlan;
use Sartal\Core\Work\Cutting\Cut;
use Sartal\Core\Work\Cutting\CutPlan;

/** The cut list for the reel stand, on A4: every reel, its cuts in order with their marks, and a box to tick. */
final class CutListDrawing
{
    public const WIDTH = 210.0;

    public const HEIGHT = 297.0;

    private const LEFT = 14.0;

    private const RIGHT = 196.0;

    private const FOOT = 284.0;

    private const BAR = 110.0;

    private float $y = 0.0;

    private int $page = 1;

    private function __construct(
        private readonly Canvas $canvas,
        private readonly Installation $installation,
        private readonly Units $units,
    ) {
    }

    public static function draw(Canvas $canvas, CutPlan $plan, Installation $installation, Units $units): void
    {
        $drawing = new self($canvas, $installation, $units);
        $drawing->head();
        $cuts = 0;
        foreach ($plan->cables as $cable) {
            $drawing->cable($cable);
            $cuts += count($cable->assigned) + count($cable->unmet);
        }
        if ($cuts === 0) {
            $canvas->text(self::LEFT, $drawing->y, 'Nothing is left to be cut.', 4);
        }
    }

    private function head(): void
    {
        $this->canvas->text(self::LEFT, 20, 'Cut list', 8, bold: true);
        $this->canvas->text(
            self::RIGHT,
            20,
            $this->installation->name.($this->page > 1 ? ' · page '.$this->page : ''),
            3.2,
            'end',
            fill: '#4a6076',
        );
        $this->canvas->text(
            self::LEFT,
            26,
            'Blades cut hands as well: cut away from yourself. Read the jacket mark at both ends and write down what '.
                'it says.',
            3,
        );
        $this->canvas->line(self::LEFT, 29, self::RIGHT, 29, width: 0.4);
        $this->y = 37;
    }

    private function cable(CablePlan $plan): void
    {
        if ($plan->assigned === [] && $plan->unmet === []) {
            return;
        }
        $type = $this->installation->catalogue->cables()[$plan->cable] ?? null;
        $this->room(34);
        $this->canvas->text(self::LEFT, $this->y, $type->name ?? $plan->cable, 4.6, bold: true);
        $this->canvas->text(
            self::RIGHT,
            $this->y,
            sprintf(
                '%s to cut · %d to buy, %d at least · %s scrap',
                $this->length($plan->needed()),
                $plan->bought,
                $plan->atLeast,
                $this->length($plan->scrap),
            ),
            3,
            'end',
        );
        $this->y += 6;
        foreach ($plan->assigned as $assigned) {
            $this->reel($assigned, Colours::hex($type->sheath ?? ''));
        }
        foreach ($plan->unmet as $need) {
            $this->room(6);
            $this->canvas->text(
                self::LEFT,
                $this->y,
                sprintf(
                    '%s, %s: no reel is long enough',
                    $this->installation->runs()[$need->run]->code,
                    $this->length($need->length),
                ),
                3.4,
                bold: true,
                fill: '#b0302b',
            );
            $this->y += 6;
        }
        $this->y += 4;
    }

    private function reel(Assigned $assigned, string $fill): void
    {
        $this->room(16 + 6 * min(4, count($assigned->cuts)));
        $stock = $assigned->stock;
        $this->canvas->text(self::LEFT, $this->y, $stock->name, 3.8, bold: true, mono: true);
        $this->canvas->text(
            self::LEFT + 70,
            $this->y,
            sprintf(
                '%s on it%s, %s stays',
                $this->length($stock->left),
                self::marks($stock->marks),
                $this->length($assigned->rest()),
            ),
            3,
        );
        $this->y += 2.5;
        $scale = self::BAR / max(1, $stock->left->nanometres);
        $this->canvas->box(self::LEFT, $this->y, self::BAR, 4, '', '#4a6076');
        foreach ($assigned->cuts as $cut) {
            $this->canvas->box(
                self::LEFT + $cut->at->nanometres * $scale,
                $this->y,
                $cut->length->nanometres * $scale,
                4,
                $fill,
                '#22302f',
            );
        }
        $this->y += 9;
        foreach ($assigned->cuts as $n => $cut) {
            $this->cut($n + 1, $cut, $stock->marks);
        }
        $this->y += 3;
    }

    private function cut(int $number, Cut $cut, ?JacketMarks $marks): void
    {
        $this->room(7);
        $run = $this->installation->runs()[$cut->run];
        $this->canvas->box(self::LEFT, $this->y - 3.2, 3.6, 3.6);
        $this->canvas->text(self::LEFT + 6, $this->y, $number.'.', 3.2);
        $this->canvas->text(self::LEFT + 14, $this->y, $run->code, 4, bold: true, mono: true);
        $this->canvas->text(self::LEFT + 62, $this->y, $this->length($cut->length), 4, 'end', true);
        $this->canvas->text(
            self::LEFT + 66,
            $this->y,
            $marks === null
                ? 'no marks on the jacket'
                : sprintf('%s %s to %s', $marks->unit->value, self::mark($cut->from), self::mark($cut->to)),
            3,
        );
        $this->canvas->text(
            self::LEFT + 112,
            $this->y,
            mb_strimwidth(
                $this->installation->locationName($run->a->location).
                    ' to '.
                    $this->installation->locationName($run->b->location),
                0,
                38,
                '…',
            ),
            2.8,
        );
        $this->canvas->line(self::RIGHT - 14, $this->y + 0.6, self::RIGHT, $this->y + 0.6);
        $this->y += 6;
    }

    private static function marks(?JacketMarks $marks): string
    {
        return $marks === null
            ? ''
            : sprintf(
                ', mark %s %s and %s',
                self::mark($marks->start),
                $marks->unit->value,
                $marks->rising ? 'rising' : 'falling',
            );
    }

    private static function mark(?float $mark): string
    {
        return $mark === null ? '' : number_format($mark, 1, '.', '');
    }

    private function length(Length $length): string
    {
        return LengthText::long($length, $this->units);
    }

    private function room(float $height): void
    {
        if ($this->y + $height > self::FOOT) {
            $this->canvas->newPage();
            $this->page++;
            $this->head();
        }
    }
}
