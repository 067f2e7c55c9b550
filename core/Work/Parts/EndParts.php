<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\SheetLeg;

/**
 * What one end of a run takes, from the same sheet that the bench works by. A
 * connector brings its kit: what of it is not used goes back on the shelf.
 */
final class EndParts
{
    /** Of shrink over one joint or label, m: common practice. */
    private const JOINT_SHRINK = 0.02;

    private readonly EndSheets $sheets;

    private readonly JointParts $joints;

    private readonly LabelParts $wraps;

    /**
     * @var array<int|string, true> fittings, and chains that end at them, that are counted already: several runs may
     *     share one
     */
    private array $counted = [];

    public function __construct(private readonly Installation $installation)
    {
        $this->sheets = new EndSheets($installation);
        $this->joints = new JointParts($installation);
        $this->wraps = new LabelParts($installation->catalogue, $installation->rules());
    }

    /** @return list<Ask> */
    public function of(Run $run, Side $side, RunPlan $plan): array
    {
        $sheet = $this->sheets->of($run, $side, $plan);
        if ($sheet === null) {
            return [];
        }
        $where = sprintf('%s end %s', $run->code, $side->value);
        $asks = [];
        foreach ($sheet->fittings as $fitting) {
            array_push($asks, ...$this->fitting($fitting, $run, $where));
            foreach ($fitting->legs as $leg) {
                array_push($asks, ...OpeningParts::sleeving($leg, $run->id, $where));
            }
        }
        if ($sheet->breakout !== null) {
            $asks[] = new Ask(Sort::Part, $sheet->breakout->part->id, 1.0, $run->id, $where.', breakout');
        }

        $sleeve = $side === Side::A ? SleeveChoice::over($run, $this->installation) : null;
        if ($sleeve !== null) {
            $asks[] = new Ask(
                Sort::Part,
                $sleeve->id,
                SleeveChoice::cut($plan->cut->result, 'the cable')->result->inMetres(),
                $run->id,
                $run->code.', over all of it',
            );
        }
        if ($sheet->opened !== null) {
            array_push($asks, ...OpeningParts::list($sheet->opened, $plan->cut->result, $run->id, $where));
        }

        return [
            ...$asks,
            ...$this->joints->of($run, $side, $plan, $sheet->fittings, $where),
            ...$this->labels($run, $side, $plan, $where),
        ];
    }

    /** @return list<Ask> */
    private function fitting(SheetFitting $sheet, Run $run, string $where): array
    {
        $where .= ', '.$sheet->fitting->label;
        $used = [];
        foreach ($sheet->legs as $leg) {
            $used = self::together($used, $this->legParts($leg));
        }
        $kit = [];
        $asks = [];
        if (! isset($this->counted[$sheet->fitting->id])) {
            $this->counted[$sheet->fitting->id] = true;
            foreach ($sheet->layout->types as $type) {
                $asks[] = new Ask(Sort::Connector, $type->id, 1.0, $run->id, $where);
                foreach ($type->cable->kit as $part) {
                    $kit[$part] = ($kit[$part] ?? 0) + 1;
                }
                foreach ($type->cable->hardware as $part => $count) {
                    $used[(string) $part] = ($used[(string) $part] ?? 0) + $count;
                }
            }
        }
        foreach ($this->terminators($sheet->fitting->id, $run) as $part) {
            $asks[] = new Ask(Sort::Part, $part, 1.0, $run->id, $where.', ends its chain');
        }
        foreach ($used + $kit as $part => $unused) {
            $amount = ($used[$part] ?? 0) - ($kit[$part] ?? 0);
            if ($amount !== 0) {
                $asks[] = $this->piece(
                    (string) $part,
                    $amount,
                    $run,
                    $where.($amount < 0 ? ', left over from its kit' : ''),
                );
            }
        }

        return $asks;
    }

    /** @return list<string> ids of what ends a chain at a fitting */
    private function terminators(string $fitting, Run $run): array
    {
        $parts = [];
        foreach ($run->carries as $carriage) {
            $circuit = $this->installation->circuit($carriage->circuit);
            $part = $this->installation->catalogue->signal($circuit->signal ?? '')->terminator ?? '';
            if (
                $circuit?->terminator === $fitting &&
                $part !== '' &&
                ! isset($this->counted[$fitting.' '.$circuit->id])
            ) {
                $this->counted[$fitting.' '.$circuit->id] = true;
                $parts[] = $part;
            }
        }

        return $parts;
    }

    /** @return array<int|string, int> part → pieces */
    private function legParts(SheetLeg $leg): array
    {
        $parts = $leg->preparation->contactCounts;
        foreach ($leg->preparation->slides as $slide) {
            $parts[$slide->part->id] = ($parts[$slide->part->id] ?? 0) + $slide->count;
        }

        return $parts;
    }

    /**
     * Legs into one connector share its hood, shell and nut; of the rest each has its own.
     *
     * @param  array<int|string, int>  $one
     * @param  array<int|string, int>  $other
     * @return array<int|string, int>
     */
    private function together(array $one, array $other): array
    {
        foreach ($other as $part => $count) {
            $shared = ($this->installation->catalogue->part($part)->kind ?? null)?->isOnePerConnector() === true;
            $one[$part] = $shared ? max($one[$part] ?? 0, $count) : ($one[$part] ?? 0) + $count;
        }

        return $one;
    }

    private function piece(string $id, int $amount, Run $run, string $for): Ask
    {
        $part = $this->installation->catalogue->part($id);

        return new Ask(
            Sort::Part,
            $id,
            $part?->kind === PartKind::Shrink ? $amount * self::JOINT_SHRINK : (float) $amount,
            $run->id,
            $for,
        );
    }

    /** @return list<Ask> */
    private function labels(Run $run, Side $side, RunPlan $plan, string $where): array
    {
        $cable = $this->installation->catalogue->theCable($run->cable);
        $elements = [];
        foreach ($run->end($side)->legs as $leg) {
            $elements[$leg->id] = count($leg->elements) === 1 ? $leg->elements[0] : '';
        }
        $asks = [];
        foreach ($plan->labels as $label) {
            if ($label->side !== $side) {
                continue;
            }
            $over = $cable->diameter($label->leg === '' ? '' : $elements[$label->leg] ?? '') ?? $cable->outerDiameter;
            $part = $this->wraps->of($run, $over, $cable->jacket);
            if ($part !== null) {
                $asks[] = new Ask(Sort::Part, $part->id, 1.0, $run->id, $where.', label '.$label->code);
            }
        }

        return $asks;
    }
}
