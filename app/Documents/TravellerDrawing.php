<?php

declare(strict_types=1);

namespace App\Documents;

use App\Documents\Drawing\Canvas;
use App\Documents\Drawing\LengthText;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\CutTo;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Step;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;

/** The traveller on A4, for a bench without a screen: the same steps in the same order, with boxes to tick. */
final class TravellerDrawing
{
    public const WIDTH = 210.0;

    public const HEIGHT = 297.0;

    private const LEFT = 14.0;

    private const RIGHT = 196.0;

    private const FOOT = 284.0;

    /** Boxes in a row of pieces. */
    private const ROW = 12;

    private float $y = 0.0;

    private int $page = 1;

    /** @param  list<string>  $codes */
    private function __construct(
        private readonly Canvas $canvas,
        private readonly array $codes,
        private readonly string $installation,
        private readonly Units $units,
    ) {
    }

    /** @param  list<string>  $codes  of its runs */
    public static function draw(
        Canvas $canvas,
        Traveller $traveller,
        array $codes,
        string $installation,
        Units $units,
    ): void {
        $drawing = new self($canvas, $codes, $installation, $units);
        $drawing->head();
        $drawing->cautions($traveller);
        foreach ($traveller->steps as $step) {
            $drawing->step($step);
        }
    }

    private function head(): void
    {
        $this->canvas->text(
            self::LEFT,
            20,
            mb_strimwidth(implode(', ', $this->codes), 0, 42, '…'),
            8,
            bold: true,
            mono: true,
        );
        $this->canvas->text(
            self::RIGHT,
            20,
            $this->installation.($this->page > 1 ? ' · page '.$this->page : ''),
            3.2,
            'end',
            fill: '#4a6076',
        );
        $this->canvas->text(
            self::LEFT,
            26,
            'Traveller: one step after the other. Tick each piece; a box left empty is a thing left out.',
            3,
        );
        $this->canvas->line(self::LEFT, 29, self::RIGHT, 29, width: 0.4);
        $this->y = 36;
    }

    private function cautions(Traveller $traveller): void
    {
        $cautions = array_unique(
            array_merge(
                ...array_map(
                    static fn (Operation $operation): array => $operation->cautions,
                    array_values($traveller->operations),
                ),
                ...[[]],
            ),
        );
        foreach ($cautions as $caution) {
            $this->canvas->text(self::LEFT, $this->y, '! '.$caution, 3, bold: true, fill: '#b0302b');
            $this->y += 4.6;
        }
        $this->y += 3;
    }

    private function step(Step $step): void
    {
        $first = $step->first();
        $boxes = $step->count() > 1 && $first->task !== Task::Crimp;
        $this->room(14 + ($boxes ? 5 : 0) + 4 * count($first->lengths));
        $this->canvas->text(self::LEFT + 6, $this->y, $step->number.'.', 3.4, 'end');
        if (! $boxes) {
            $this->canvas->box(self::LEFT + 8, $this->y - 3.2, 3.8, 3.8);
        }
        $this->canvas->text(self::LEFT + 14, $this->y, $first->words, 4, bold: true);
        if ($first->at !== null) {
            $this->canvas->text(self::RIGHT, $this->y, LengthText::of($first->at, $this->units), 4, 'end', true);
        }
        $this->y += 4.6;
        $where = $step->count() === 1 ? $first->place : sprintf('%s · %d pieces', self::places($step), $step->count());
        $this->canvas->text(
            self::LEFT + 14,
            $this->y,
            mb_strimwidth(implode(' · ', array_filter([$where, $first->tool, $first->detail])), 0, 120, '…'),
            3,
        );
        $this->y += 4.2;
        foreach ($first->lengths as $cut) {
            $this->canvas->text(self::LEFT + 14, $this->y, self::cut($cut, $this->units), 3);
            $this->y += 4;
        }
        if ($first->check !== '') {
            $this->canvas->text(self::LEFT + 14, $this->y, $first->check, 3, fill: '#1f6f63');
            $this->y += 4.2;
        }
        if ($boxes) {
            $this->pieces($step);
        }
        $this->y += 2.4;
    }

    private function pieces(Step $step): void
    {
        $width = (self::RIGHT - self::LEFT - 14) / self::ROW;
        foreach ($step->operations as $i => $operation) {
            if ($i > 0 && $i % self::ROW === 0) {
                $this->y += 5;
            }
            if ($i % self::ROW === 0) {
                $this->room(6);
            }
            $x = self::LEFT + 14 + ($i % self::ROW) * $width;
            $this->canvas->box($x, $this->y - 2.8, 3.2, 3.2);
            $this->canvas->text($x + 4, $this->y, mb_strimwidth(self::piece($operation), 0, 9, '…'), 2.6, mono: true);
        }
        $this->y += 5;
    }

    /** What tells a piece from its neighbours: its contact, its tail, its cable. */
    private static function piece(Operation $operation): string
    {
        $core = $operation->cores[0] ?? null;

        return match (true) {
            $operation->address !== '' => rtrim(
                $operation->address.' '.($core instanceof BenchCore ? $core->channel : ''),
            ),
            default => (string) preg_replace('~^.*(tail |, )~', '', $operation->place),
        };
    }

    private static function places(Step $step): string
    {
        $places = $step->places();

        return count($places) === 1 ? $places[0] : $places[0].' to '.$places[count($places) - 1];
    }

    private static function cut(CutTo $cut, Units $units): string
    {
        return LengthText::of($cut->length, $units).
            ($cut->most === null ? '' : ' to '.LengthText::of($cut->most, $units)).
            ': '.
            $cut->for;
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
