<?php

declare(strict_types=1);

namespace App\Documents;

use App\Documents\Drawing\Canvas;
use App\Documents\Drawing\Colours;
use App\Documents\Drawing\ConnectorPicture;
use App\Documents\Drawing\EndPicture;
use App\Documents\Drawing\LengthText;
use App\Documents\Drawing\View;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\MakingFindings;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Work\Bench\EndSheet;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\SheetLeg;

/** The sheet at the vice, drawn on A4 pages: once as SVG, once as PDF, the same lines. */
final class SheetDrawing
{
    public const WIDTH = 210.0;

    public const HEIGHT = 297.0;

    private const LEFT = 14.0;

    private const RIGHT = 196.0;

    private const FOOT = 284.0;

    /** Width of the picture of an end. */
    private const PICTURE = 96.0;

    private float $y = 0.0;

    private int $pages = 1;

    private function __construct(
        private readonly Canvas $canvas,
        private readonly EndSheet $sheet,
        private readonly ?EndSheet $other,
        private readonly View $view,
        private readonly string $installation,
    ) {
    }

    /** @param  ?EndSheet  $other  the run's other end, drawn beside it in the same view */
    public static function draw(
        Canvas $canvas,
        EndSheet $sheet,
        ?EndSheet $other,
        View $view,
        string $installation,
    ): void {
        (new self($canvas, $sheet, $other, $view, $installation))->work();
    }

    private function work(): void
    {
        $this->head();
        $this->cautions();
        if ($this->sheet->opened !== null) {
            $this->opening($this->sheet->opened);
        }
        foreach ($this->sheet->alike as $n => $members) {
            $fitting = $this->sheet->fittings[$members[0]];
            $this->fitting($fitting, $members, $n === 0);
        }
        $this->unused();
        $this->rules();
    }

    private function head(): void
    {
        $run = $this->sheet->run;
        $this->canvas->text(self::LEFT, 20, $run->code, 9, bold: true, mono: true);
        $this->canvas->text(self::RIGHT, 20, 'End '.$this->sheet->side->value, 9, 'end', true);
        $this->canvas->text(self::LEFT, 26.5, $this->sheet->location.' · '.$this->sheet->cable->name, 3.6);
        $this->canvas->text(
            self::RIGHT,
            26.5,
            $this->installation.($this->pages > 1 ? ' · page '.$this->pages : ''),
            3,
            'end',
            fill: '#4a6076',
        );
        $this->canvas->line(self::LEFT, 29, self::RIGHT, 29, width: 0.4);
        $this->y = 35;
    }

    private function cautions(): void
    {
        $cautions = [];
        foreach ($this->sheet->fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                array_push($cautions, ...$leg->preparation->cautions);
            }
        }
        foreach (array_unique($cautions) as $caution) {
            foreach (self::wrapped($caution, 100) as $line) {
                $this->room(5);
                $this->canvas->box(self::LEFT, $this->y - 3.4, 1.2, 4.6, '#b0302b', '');
                $this->canvas->text(self::LEFT + 3, $this->y, $line, 3.2, bold: $this->sheet->isMains());
                $this->y += 4.6;
            }
        }
        $this->y += 3;
    }

    /** What is done to the end as a whole, before any of its legs. */
    private function opening(OpenedEnd $opened): void
    {
        $this->list(self::LEFT, 'On the cable first', array_map(
            static fn (SlideOn $slide): string => $slide->part->name.': '.$slide->note,
            array_values($opened->slidHere()),
        ), numbered: true);
        $this->making($opened->made);
    }

    /** @param  list<int>  $members */
    private function fitting(SheetFitting $fitting, array $members, bool $first): void
    {
        $this->room(92);
        $top = $this->y;
        $leg = $fitting->legs[0];
        $labels = array_map(fn (int $i): string => $this->sheet->fittings[$i]->legs[0]->leg->label, $members);
        $title =
            count($members) > 1
                ? sprintf('%s to %s, %d alike', $labels[0], $labels[count($labels) - 1], count($members))
                : $fitting->fitting->label;
        $this->canvas->text(self::LEFT, $top, $title.': '.$fitting->type->name, 4, bold: true);
        $many = count($fitting->layout->cavities) > 12;
        (new ConnectorPicture($fitting->type, $fitting->layout, $this->fill($fitting)))->on(
            $this->canvas,
            self::LEFT + 33,
            $top + 42,
            $many ? 64 : 60,
            $many ? 72 : 60,
            $this->view,
        );
        $this->canvas->text(self::LEFT + 33, $top + 83, $this->view->name(), 3, 'middle', fill: '#4a6076');
        $this->otherEnd($first, $top);
        $this->y = $top + 7;
        $this->beside($fitting, $leg);
        $this->y = max($this->y, $top + 88);
        $this->strip($leg);
        $this->blocks($fitting);
        foreach ($members as $i) {
            $this->joints($this->sheet->fittings[$i], count($members) > 1);
        }
        $this->y += 4;
    }

    private function otherEnd(bool $first, float $top): void
    {
        $other = $this->other->fittings[0] ?? null;
        if (! $first || $other === null) {
            return;
        }
        (new ConnectorPicture($other->type, $other->layout, $this->fill($other)))->on(
            $this->canvas,
            self::LEFT + 82,
            $top + 22,
            26,
            26,
            $this->view,
        );
        $this->canvas->text(
            self::LEFT + 82,
            $top + 40,
            'end '.($this->other?->side->value ?? '').', same view',
            2.8,
            'middle',
            fill: '#4a6076',
        );
    }

    private function beside(SheetFitting $fitting, SheetLeg $leg): void
    {
        $x = self::LEFT + 106;
        $slides = [...$this->sheet->breakout === null ? [] : [$this->sheet->breakout], ...$leg->preparation->slides];
        $this->list(
            $x,
            'On the cable first',
            array_map(
                static fn (SlideOn $slide): string => $slide->part->name.
                    ($slide->note === '' ? '' : ': '.$slide->note).
                    ($slide->before ? '' : ' (can wait)'),
                $slides,
            ),
            numbered: true,
        );
        $this->list(
            $x,
            'Join',
            array_values(
                array_unique(
                    array_map(static fn ($terminal): string => $terminal->joining->words(), $fitting->terminals),
                ),
            ),
        );
        $this->list($x, 'Contacts', array_map(static fn ($part): string => $part->name, $leg->preparation->contacts));
        $this->list($x, 'Tools', $leg->tools());
        $this->list($x, 'Hold it with', array_slice($fitting->mates, 0, 2));
        $set = array_filter([
            $fitting->exit === null || count($fitting->type->cable->exits) < 2 ? '' : 'exit '.$fitting->exit->name,
            $fitting->fitting->clocking === null ? '' : 'points to '.$fitting->fitting->clocking.'°',
            $fitting->plan === null ? '' : 'plan: '.$fitting->plan->name,
        ]);
        $this->list($x, 'Set', array_values($set));
    }

    /** @param  list<string>  $items */
    private function list(float $x, string $title, array $items, bool $numbered = false): void
    {
        if ($items === []) {
            return;
        }
        $this->canvas->text($x, $this->y, $title, 3, bold: true, fill: '#4a6076');
        $this->y += 4.4;
        foreach ($items as $i => $item) {
            foreach (self::wrapped(($numbered ? $i + 1 .'. ' : '').$item, 50) as $line) {
                $this->canvas->text($x, $this->y, $line, 3.1);
                $this->y += 4.2;
            }
        }
        $this->y += 1.4;
    }

    /** Where its procedure does not make it right, what is wrong stands before it. */
    private function strip(SheetLeg $leg): void
    {
        $findings = (new MakingFindings($this->sheet->cable))->of(
            ($leg->made ?? $leg->done)->procedure,
            ($leg->made ?? $leg->done)->made,
            Subject::cable($this->sheet->cable->id),
        );
        foreach ($findings as $finding) {
            foreach (self::wrapped($finding->words, 112) as $line) {
                $this->room(6);
                $this->canvas->text(self::LEFT, $this->y, $line, 3, bold: true, fill: '#b0302b');
                $this->y += 4.2;
            }
        }
        $this->making($leg->made ?? $leg->done);
    }

    /** Step by step, each that changes the end with a picture of it. */
    private function making(MadeEnd $end): void
    {
        $this->room(12);
        $title = sprintf('Make it: %s, edition %s', $end->procedure->name, $end->procedure->edition());
        $this->canvas->text(self::LEFT, $this->y, $title, 3.2, bold: true);
        $this->y += 3;
        $words = new StepWords($this->sheet->cable);
        $picture = new EndPicture($this->sheet->cable);
        $turns = $end->turns();
        $gate = $end->made->gate();
        foreach ($end->made->steps as $i => $step) {
            if ($i === $turns && $gate !== []) {
                $this->gate($gate);
            }
            $isDrawn = $step->before->end != $step->after->end;
            $lines = $this->lines($i + 1, $step, $words, $isDrawn ? 49 : 112);
            $height = max($isDrawn ? $picture->height($step->after) : 0.0, 3.9 * count($lines) + 1.5);
            $this->room($height + 2);
            if ($isDrawn) {
                $picture->on($this->canvas, $step, self::LEFT, $this->y, self::PICTURE);
            }
            foreach ($lines as $n => $line) {
                $x = $isDrawn ? self::LEFT + self::PICTURE + 4 : self::LEFT;
                $this->canvas->text($x, $this->y + 3.6 + 3.9 * $n, $line, 2.9, bold: $n === 0);
            }
            $this->y += $height + 1.5;
        }
        $this->y += 3;
    }

    /** @return list<string> */
    private function lines(int $number, StepMade $step, StepWords $words, int $wide): array
    {
        $length = $words->length($step->doing);
        $of = $step->step;
        $lines = [sprintf('%d. %s%s', $number, $words->does($step->doing), $length === '' ? '' : ': '.$length)];
        foreach (
            [
                'With ' => $of->tool,
                'Look: ' => $of->check,
                'Why: ' => $of->why,
                '! ' => $of->caution,
            ] as $before => $text
        ) {
            array_push($lines, ...$text === '' ? [] : [$before.$text]);
        }

        return array_merge(...array_map(static fn (string $line): array => self::wrapped($line, $wide), $lines));
    }

    /** @param  non-empty-list<StepMade>  $gate */
    private function gate(array $gate): void
    {
        $parts = array_map(
            static fn (StepMade $step): string => '[ ] '.str_replace('-', ' ', $step->step->part),
            $gate,
        );
        $this->room(9);
        $this->canvas->line(self::LEFT, $this->y + 1, self::RIGHT, $this->y + 1, '#b4622d', 0.5);
        $words = 'Before this, on the cable and in this order: '.implode('  ', $parts);
        $this->canvas->text(self::LEFT, $this->y + 5, $words, 3.1, bold: true);
        $this->canvas->line(self::LEFT, $this->y + 6.6, self::RIGHT, $this->y + 6.6, '#b4622d', 0.5);
        $this->y += 8;
    }

    private function blocks(SheetFitting $fitting): void
    {
        if ($fitting->blocks === []) {
            return;
        }
        $this->room(8 + 4.6 * count($fitting->blocks));
        $this->canvas->text(self::LEFT, $this->y, 'Staggered cut', 3.2, bold: true);
        $this->y += 5;
        foreach ($fitting->blocks as $block) {
            $this->canvas->box(self::LEFT, $this->y - 2.8, 5, 3.2, Colours::hex($block->colour));
            $this->canvas->text(self::LEFT + 7, $this->y, $this->block($block, $fitting), 3.1);
            $this->y += 4.6;
        }
        $this->y += 2;
    }

    /** The one length that its cores are cut to, as their table has it. */
    private function cut(Block $block, SheetFitting $fitting): string
    {
        foreach ($fitting->legs as $leg) {
            foreach ($leg->preparation->cores as $core) {
                if (in_array($core->joint->channel, $block->channels, true)) {
                    $reach = $leg->reach($core);

                    return $reach === null ? '' : ', cut to '.LengthText::of($reach, $this->view->units);
                }
            }
        }

        return '';
    }

    private function block(Block $block, SheetFitting $fitting): string
    {
        return sprintf(
            'Block %d, %s: channels %s to %s, %s',
            $block->number,
            $block->colour,
            $block->channels[0],
            $block->channels[count($block->channels) - 1],
            $block->offset->isZero() ? 'shortest' : '+ '.LengthText::of($block->offset, $this->view->units),
        ).$this->cut($block, $fitting);
    }

    /** How long its tail is cut, where anybody or a panel says. */
    private static function tail(SheetLeg $leg, Units $units): string
    {
        $length = $leg->tail->result ?? $leg->leg->length;

        return $length->isZero() ? '' : ', tail '.LengthText::of($length, $units);
    }

    private function joints(SheetFitting $fitting, bool $named): void
    {
        $cores = array_merge(
            ...array_map(static fn (SheetLeg $leg): array => $leg->preparation->cores, $fitting->legs),
        );
        $columns = count($cores) > 12 ? 2 : 1;
        $mains = $fitting->type->domain === HazardDomain::Mains;
        $rows = (int) ceil(count($cores) / $columns);
        // A heading stays with its leg, a short leg on one page.
        $this->room(max(15, 5.6 + 4.6 * min(6, $rows)));
        if ($named) {
            $this->canvas->text(
                self::LEFT,
                $this->y,
                'Leg '.$fitting->legs[0]->leg->label.self::tail($fitting->legs[0], $this->view->units),
                3.2,
                bold: true,
            );
            $this->y += 4.6;
        }
        // Page by page in the order of work: a page is full before the next begins.
        for ($done = 0; $done < count($cores); $done += $rows * $columns) {
            $this->room(10);
            $rows = min(
                (int) ceil((count($cores) - $done) / $columns),
                max(1, (int) floor((self::FOOT - $this->y) / 4.6)),
            );
            $top = $this->y;
            for ($column = 0; $column < $columns; $column++) {
                $this->y = $top;
                foreach (array_slice($cores, $done + $column * $rows, $rows) as $i => $core) {
                    $this->joint(self::LEFT + $column * 94, $done + $column * $rows + $i + 1, $core, $fitting, $mains);
                }
            }
            $this->y = $top + $rows * 4.6 + 1;
        }
        if ($fitting->print !== []) {
            $this->room(6);
            $this->canvas->text(
                self::LEFT,
                $this->y + 2,
                'Slots as the jack prints them: '.
                    implode('  ', $fitting->print).
                    '. Test by pin, 1 to '.
                    count($fitting->print).
                    '.',
                3.1,
                bold: true,
            );
            $this->y += 6;
        }
    }

    private function joint(float $x, int $number, CoreCut $core, SheetFitting $fitting, bool $mains): void
    {
        $joint = $core->joint;
        $element = $this->sheet->cable->element($joint->conductor);
        $colours = explode('/', $element->colour ?? '');
        $terminal = $fitting->layout->cavities[$joint->address()]->terminal ?? '';
        $this->canvas->text($x + 5, $this->y, (string) $number, 2.7, 'end', fill: '#4a6076');
        // Mains: the marked terminal leads, the colour only follows.
        [$swatch, $contact] = $mains ? [30.0, 7.0] : [7.0, 38.0];
        $this->canvas->box($x + $swatch, $this->y - 2.6, 5, 3, Colours::hex($colours[0]), width: 0.15);
        if (isset($colours[1])) {
            $this->canvas->polygon(
                [
                    [$x + $swatch + 1.4, $this->y + 0.4],
                    [$x + $swatch + 2.6, $this->y - 2.6],
                    [$x + $swatch + 3.6, $this->y - 2.6],
                    [$x + $swatch + 2.4, $this->y + 0.4],
                ],
                Colours::hex($colours[1]),
                '',
            );
        }
        $parent = str_contains($joint->conductor, '/')
            ? $this->sheet->cable->element(substr($joint->conductor, 0, (int) strrpos($joint->conductor, '/')))
                    ->label ?? ''
            : '';
        $this->canvas->text(
            $x + $swatch + 6,
            $this->y,
            Colours::letters($element->colour ?? '').' '.($mains ? '' : $parent),
            2.8,
        );
        $this->canvas->text($x + $contact, $this->y, $joint->address(), 3.3, bold: true, mono: true);
        // An address with its bay is longer than a contact's number.
        $function = max($mains ? 46.0 : 51.0, $contact + 2 + 2.1 * mb_strlen($joint->address()));
        $this->canvas->text(
            $x + $function,
            $this->y,
            trim(
                $joint->function.
                    ' '.
                    (count($fitting->plan->channels ?? []) > 1 ? 'ch '.$joint->channel : '').
                    ($terminal === '' ? '' : ' · '.$terminal),
            ),
            2.8,
        );
        $this->canvas->text(
            $x + 88,
            $this->y,
            $this->reach($core, $fitting),
            2.8,
            'end',
        );
        if ($joint->byHand !== '') {
            $this->y += 3.6;
            $this->canvas->text($x + 7, $this->y, 'by hand: '.$joint->byHand, 2.6, fill: '#8a5b00');
        }
        $this->y += 4.6;
    }

    private function reach(CoreCut $core, SheetFitting $fitting): string
    {
        foreach ($fitting->legs as $leg) {
            $reach = in_array($core, $leg->preparation->cores, true) ? $leg->reach($core) : null;
            if ($reach !== null) {
                return LengthText::of($reach, $this->view->units, 1);
            }
        }

        return '';
    }

    private function unused(): void
    {
        $reasons = [];
        foreach ($this->sheet->unused as $unused) {
            $reasons[$unused->reason][] = $unused->conductor;
        }
        foreach ($reasons as $reason => $conductors) {
            $this->room(5);
            $this->canvas->text(
                self::LEFT,
                $this->y,
                sprintf(
                    'Not joined, %s: %s',
                    $reason,
                    count($conductors) > 6 ? count($conductors).' conductors' : implode(', ', $conductors),
                ),
                2.9,
                fill: '#4a6076',
            );
            $this->y += 4.4;
        }
    }

    private function rules(): void
    {
        $this->room(8 + 4.4 * count($this->sheet->rules));
        $this->y += 2;
        $this->canvas->text(self::LEFT, $this->y, 'House rules in force', 3.2, bold: true);
        $this->y += 4.8;
        foreach ($this->sheet->rules as $rule) {
            $for = $rule->for === '' ? '' : ' ('.$rule->for.')';
            $this->canvas->text(
                self::LEFT,
                $this->y,
                $rule->answer::question().' '.ucfirst($rule->answer->words()).$for.'.',
                2.9,
            );
            $this->y += 4.4;
        }
    }

    /** @return array<array-key, string> address → colour of the core on it */
    private function fill(SheetFitting $fitting): array
    {
        $fill = [];
        $sheet =
            $this->other !== null && in_array($fitting, $this->other->fittings, true) ? $this->other : $this->sheet;
        foreach ($fitting->legs as $leg) {
            foreach ($leg->preparation->cores as $core) {
                $fill[$core->joint->address()] = $sheet->cable->element($core->joint->conductor)->colour ?? '';
            }
        }

        return $fill;
    }

    /** Begins a page where what comes next does not fit on this one. */
    private function room(float $height): void
    {
        if ($this->y + $height > self::FOOT) {
            $this->canvas->newPage();
            $this->pages++;
            $this->head();
        }
    }

    /** @return list<string> */
    private static function wrapped(string $text, int $characters): array
    {
        $lines = [''];
        foreach (explode(' ', $text) as $word) {
            $last = count($lines) - 1;
            if ($lines[$last] !== '' && mb_strlen($lines[$last].' '.$word) > $characters) {
                $lines[] = $word;
            } else {
                $lines[$last] = trim($lines[$last].' '.$word);
            }
        }

        return $lines;
    }
}
