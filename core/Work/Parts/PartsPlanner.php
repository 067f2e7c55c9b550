<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Work\Cutting\CutPlan;

/** Parts of an installation, a loom, an assembly or an order of runs; time and cost. */
final readonly class PartsPlanner
{
    /**
     * @param  Record  $record  what rework threw away is needed once more
     * @param  array<int|string, list<Bead>>  $strands  where runs stand, where that is known; by the plan otherwise
     */
    public function __construct(
        private Installation $installation,
        private Plan $plan,
        private Record $record = new Record(),
        private array $strands = [],
    ) {
    }

    /**
     * What the ends of runs take, whatever is done of them: follows from decisions alone.
     *
     * @param  list<string>  $runs  ids
     * @return array<int|string, array<int|string, list<Ask>>> by run and side; what several share is asked for by the
     *     first
     */
    public function ends(array $runs): array
    {
        $ends = new EndParts($this->installation);
        $asks = [];
        foreach ($runs as $id) {
            $run = $this->installation->run($id);
            $plan = $this->plan->runs[$id] ?? null;
            if ($run !== null && $plan !== null && ! $run->withdrawn) {
                foreach (Side::cases() as $side) {
                    $asks[$id][$side->value] = $ends->of($run, $side, $plan);
                }
            }
        }

        return $asks;
    }

    /**
     * @param  list<string>  $runs  ids
     * @param  list<LoomDress>  $looms  dressed along with them
     * @param  bool  $whole  of what is done already as well
     * @param  array<int|string, array<int|string, list<Ask>>>  $known  what the ends of all these runs take, by run and
     *     side, where that is known
     * @return list<Ask>
     */
    public function asks(array $runs, array $looms = [], bool $whole = true, array $known = []): array
    {
        $ends = new EndParts($this->installation);
        $asks = [];
        foreach ($runs as $id) {
            $run = $this->installation->run($id);
            if ($run === null || ! isset($this->plan->runs[$id]) || $run->withdrawn) {
                continue;
            }
            if (
                $this->installation->catalogue->cable($run->cable) !== null &&
                ($whole || ! $this->isDone($id, Stage::Cut))
            ) {
                $asks[] = new Ask(Sort::Cable, $run->cable, $this->plan->cut($id)->result->inMetres(), $id, $run->code);
            }
            foreach (Side::cases() as $side) {
                if ($whole || ! $this->isDone($id, $side === Side::A ? Stage::EndA : Stage::EndB)) {
                    $takes = $known[$id][$side->value] ?? $ends->of($run, $side, $this->plan->runs->get($id));
                    array_push($asks, ...$takes);
                }
            }
            array_push($asks, ...$this->scraps($run));
        }
        foreach ($looms as $dress) {
            array_push($asks, ...LoomParts::list($dress));
        }

        return $asks;
    }

    /** @return list<Ask> */
    private function scraps(Run $run): array
    {
        $asks = [];
        foreach ($this->record->of($run->id) as $event) {
            foreach ($event->rework()->scraps ?? [] as $id => $count) {
                $sort = $this->installation->catalogue->connector($id) !== null ? Sort::Connector : Sort::Part;
                $asks[] = new Ask(
                    $sort,
                    (string) $id,
                    (float) $count,
                    $run->id,
                    $run->code.', thrown away in rework',
                );
            }
        }

        return $asks;
    }

    /**
     * @param  list<string>  $runs
     * @param  list<LoomDress>  $looms
     * @param  array<int|string, array<int|string, list<Ask>>>  $known  what the ends of all these runs take, by run and
     *     side, where that is known
     */
    public function list(
        array $runs,
        array $looms = [],
        ?CutPlan $cuts = null,
        bool $whole = true,
        array $known = [],
    ): PartsList {
        return (new Counter($this->installation))->count($this->asks($runs, $looms, $whole, $known), $cuts);
    }

    public function makeOrBuy(Assembly $assembly): MakeOrBuy
    {
        $list = (new Counter($this->installation))->count($this->asks($assembly->runs));
        $minutes = (new Labour($this->installation))->of($assembly, $this->plan->runs);
        $economy = $this->installation->economy();
        $labour = ($minutes->value * $economy->rate) / 60;
        $money = static fn (float $amount): string => Figure::amount($amount, $economy->currency, 2);
        $terms = $unpriced = [];
        $parts = 0.0;
        foreach ($list->lines as $line) {
            if ($line->needed->value <= 0.0) {
                continue;
            }
            if ($line->worth === null) {
                $unpriced[] = $line->name;

                continue;
            }
            $parts += $line->worth;
            $terms[] = new FigureTerm(
                $line->name,
                $line->needed->text(),
                $money($line->worth),
                'price typed in, by the share of a pack',
            );
        }
        $make = $parts + $labour;
        $terms[] = new FigureTerm(
            'time',
            sprintf('%s at %s an hour', $minutes->text(), $money($economy->rate)),
            $money($labour),
            'rate of the installation',
        );
        if ($unpriced !== []) {
            $terms[] = new FigureTerm('without a price', implode(', ', $unpriced), '', 'making costs at least this');
        }
        $buy = $economy->bought[$assembly->id] ?? null;
        $saving =
            $buy === null || $buy <= 0.0
                ? null
                : new Figure(
                    (100 * ($buy - $make)) / $buy,
                    '%',
                    [
                        new FigureTerm(
                            'saving',
                            sprintf('(%s − %s) ÷ %s', $money($buy), $money($make), $money($buy)),
                            '',
                            '(buy − make) ÷ buy',
                        ),
                    ],
                    0,
                );

        return new MakeOrBuy(
            $assembly->id,
            $minutes,
            new Figure($make, $economy->currency, $terms, 2),
            $buy,
            $saving,
            $unpriced,
        );
    }

    private function isDone(string $run, Stage $stage): bool
    {
        foreach ($this->strands[$run] ?? $this->plan->strand($run) as $bead) {
            if ($bead->stage === $stage) {
                return $bead->state === BeadState::Done;
            }
        }

        return false;
    }
}
