<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\LabelParts;
use Sartal\Core\Ends\Preparing\Passing;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerJob;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** Everything that is done to make an assembly, and what must be done before what. */
final readonly class OperationPlanner
{
    private EndSheets $sheets;

    private LabelParts $labels;

    private PanelOrder $panels;

    /**
     * @param  array<int|string, list<LoomSleeve>>  $covers  by run ({@see Covers})
     * @param  bool  $remembers  what records of earlier editions call its steps: whoever reads no records need not know
     */
    public function __construct(
        private Installation $installation,
        private array $covers = [],
        private bool $remembers = true,
    ) {
        $this->sheets = new EndSheets($installation);
        $this->labels = new LabelParts($installation->catalogue, $installation->rules());
        $this->panels = new PanelOrder($installation);
    }

    /**
     * @return list<Operation> as they were found; {@see Sequencer} puts them in order
     */
    public function of(Assembly $assembly, RunPlans $plans): array
    {
        $runs = $this->runs($assembly);
        $sheets = $this->sheets($runs, $plans);
        // What records of earlier editions speak of.
        $former = $this->remembers
            ? (new FormerJob($this->installation))->of($runs, $sheets)
            : new FormerSteps([]);

        $operations = $this->panels->of(
            $this->operations($assembly, $plans, $runs, $sheets, $former),
        );

        return array_map(
            static fn (Operation $of): Operation => ($runs[$of->run] ?? null)?->build === Build::Found
                ? $of->asFound()
                : $of,
            $operations,
        );
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @return array<int|string, CableType> by run
     */
    private function cables(array $runs): array
    {
        return array_map(fn (Run $run): CableType => $this->installation->catalogue->theCable($run->cable), $runs);
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @return array<int|string, array<int|string, EndSheet>> by run and side
     */
    private function sheets(array $runs, RunPlans $plans): array
    {
        $sheets = [];
        foreach ($runs as $run) {
            foreach (Side::cases() as $side) {
                $sheet = $this->sheets->of($run, $side, $plans[$run->id]);
                if ($sheet !== null) {
                    $sheets[$run->id][$side->value] = $sheet;
                }
            }
        }

        return $sheets;
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @param  array<int|string, array<int|string, EndSheet>>  $sheets
     * @return list<Operation>
     */
    private function operations(
        Assembly $assembly,
        RunPlans $plans,
        array $runs,
        array $sheets,
        FormerSteps $former,
    ): array {
        $draft = new OperationDraft();
        $cables = $this->cables($runs);
        $ends = $this->ends($draft, $runs, $cables, $plans, $sheets, $former);
        $closes = $this->fittings($draft, $ends, $cables, $former);
        $turns = new LegsInTurn($draft, $this->installation->catalogue);
        foreach ($runs as $run) {
            $turns->order($ends[$run->id] ?? [], $closes);
        }
        $this->links($draft, $assembly, $runs);
        $labels = new LabelTasks($draft, $this->labels);
        foreach ($runs as $run) {
            foreach ($plans[$run->id]->labels as $label) {
                $labels->of($run, $label, $cables[$run->id], $ends[$run->id], $closes);
            }
        }
        foreach ($runs as $run) {
            $this->cover($draft, $run, $ends[$run->id]);
        }
        $this->test($draft, $assembly, $runs, $closes);

        return $draft->operations();
    }

    /** @return array<int|string, Run> those that are made, and of which something is known */
    private function runs(Assembly $assembly): array
    {
        $runs = [];
        foreach ($assembly->runs as $id) {
            $run = $this->installation->theRun($id);
            if (! $run->withdrawn && $this->installation->catalogue->cable($run->cable) !== null) {
                $runs[$id] = $run;
            }
        }

        return $runs;
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @param  array<int|string, CableType>  $cables
     * @param  array<int|string, array<int|string, EndSheet>>  $sheets
     * @return array<int|string, array<int|string, EndWork>> by run and side
     */
    private function ends(
        OperationDraft $draft,
        array $runs,
        array $cables,
        RunPlans $plans,
        array $sheets,
        FormerSteps $former,
    ): array {
        $shared = [];
        foreach ($runs as $run) {
            foreach ([...$run->a->legs, ...$run->b->legs] as $leg) {
                $shared[$leg->landing->fitting ?? ''] = ($shared[$leg->landing->fitting ?? ''] ?? 0) + 1;
            }
        }
        $whole = new RunTasks($draft);
        $ends = [];
        foreach ($runs as $run) {
            $after = $whole->of($run, $plans[$run->id], $cables[$run->id]);
            foreach ($sheets[$run->id] ?? [] as $side => $sheet) {
                $rules = $this->installation->rulesFor($run, $sheet->side);
                $tasks = new EndTasks(
                    $draft,
                    $rules,
                    new WireFerrules($this->installation->catalogue, $rules),
                    $this->labels,
                    $former,
                );
                $ends[$run->id][$side] = $tasks->of($sheet, $shared, $after);
            }
        }

        return $ends;
    }

    /**
     * @param  array<int|string, array<int|string, EndWork>>  $ends
     * @param  array<int|string, CableType>  $cables
     * @return array<int|string, string> fitting → operation that closes it
     */
    private function fittings(
        OperationDraft $draft,
        array $ends,
        array $cables,
        FormerSteps $former,
    ): array {
        $sheets = $legs = [];
        foreach ($ends as $sides) {
            foreach ($sides as $end) {
                foreach ($end->sheet->fittings as $fitting) {
                    $sheets[$fitting->fitting->id][] = $fitting;
                    $legs[$fitting->fitting->id] = [
                        ...$legs[$fitting->fitting->id] ?? [],
                        ...$end->legs[$fitting->fitting->id],
                    ];
                }
            }
        }
        $closes = [];
        foreach ($sheets as $id => $of) {
            $closes[$id] = FittingSteps::foreseen(
                $draft,
                $former,
                $of,
                $legs[$id],
                $cables,
                $this->installation->catalogue,
            );
        }

        return $closes;
    }

    /**
     * Jumpers between terminals of the assembly's own fittings.
     *
     * @param  array<int|string, Run>  $runs
     */
    private function links(OperationDraft $draft, Assembly $assembly, array $runs): void
    {
        $joints = [];
        foreach ($this->installation->links() as $link) {
            foreach ([Node::fitting(Node::named($link->from)), Node::fitting(Node::named($link->to))] as $at) {
                $joints[$at ?? ''] = [...$joints[$at ?? ''] ?? [], ...self::linked($link, $assembly)];
            }
        }
        foreach ($this->installation->links() as $link) {
            [$from, $to] = [Node::named($link->from), Node::named($link->to)];
            $fittings = array_values(
                array_filter(
                    [Node::fitting($from) ?? '', Node::fitting($to) ?? ''],
                    fn (string $id): bool => in_array($id, $assembly->fittings, true),
                ),
            );
            $tugs = array_values(
                array_filter(
                    array_map(static fn (string $id): string => self::looked($draft, $id), $fittings),
                    $draft->has(...),
                ),
            );
            $owner = $tugs === [] ? null : $draft->get($tugs[0]);
            if ($owner === null || $fittings === [] || ! isset($runs[$owner->run])) {
                continue;
            }
            $fitting = $this->installation->theFitting($fittings[0]);
            $terminal = FittingLayout::unfolded($fitting, $this->installation->catalogue)?->terminal(
                Node::address($from),
            );
            $id = $draft->add(
                new Operation(
                    StepId::ofLink($fitting->id, $link->from, $link->to),
                    Task::Join,
                    $owner->run,
                    $owner->side,
                    $this->name($from).' to '.$this->name($to),
                    'Join the jumper',
                    $terminal === null ? Pace::JoinSolder : Pace::joining($terminal->joining),
                    Phase::Link,
                    fitting: $fitting->id,
                    detail: $link->note,
                    tool: $terminal->tool ?? '',
                    cautions: Cautions::for(Task::Join, $terminal?->joining),
                    check: 'Its other end stays loose: it is trimmed where it is joined, in one cup with the tail.',
                    why: 'Jumpers go in before the cables are in the way.',
                    skill: $terminal?->joining->isHot() === true ? Skill::Solder : Skill::Crimp,
                    like: 'link',
                    joining: $terminal?->joining,
                    amount: 2.0,
                ),
            );
            foreach ($tugs as $tug) {
                $draft->need($tug, $id, 'All its joints are made first.');
            }
            foreach (array_unique($fittings) as $jumped) {
                $this->jumpered($draft, $jumped, $owner, $id, $joints[$jumped] ?? []);
            }
        }
    }

    /**
     * A connector in a panel that takes no cable of its own is fixed there before it is jumpered.
     *
     * @param  list<string>  $joints  jumpers at it
     */
    private function jumpered(OperationDraft $draft, string $id, Operation $owner, string $link, array $joints): void
    {
        $fitting = $this->installation->theFitting($id);
        $type = $this->installation->catalogue->connector($fitting->connector);
        $step = StepId::ofFitting($id, StepKind::Close);
        $isOwn = $draft->has(self::looked($draft, $id)) || ($draft->has($step->text()) && $draft->get($step->text())
            ?->impliedBy === []);
        if ($type?->mount !== Mount::Panel || $isOwn) {
            return;
        }
        $hardware = PanelHardware::names($type, $this->installation->catalogue);
        $draft->add(new Operation(
            $step,
            Task::Close,
            $owner->run,
            $owner->side,
            $fitting->label,
            'Fix it in its panel',
            Pace::Close,
            Phase::InPanel,
            fitting: $id,
            detail: $hardware === [] ? '' : 'With '.implode(', ', $hardware).'.',
            tool: $hardware === [] ? '' : PanelHardware::TOOL,
            check: 'Hand-tight, or the driver on its lowest step: it stops once the screw holds.',
            why: 'All of it is fixed in the panel before the first cup is filled: what moves is not soldered well.',
            like: 'close|'.$type->id,
            skill: $owner->skill,
            impliedBy: $joints,
        ));
        $draft->need($link, $step->text(), 'It is fixed in the panel before anything is joined in it.');
    }

    /** @return list<string> a jumper's step, called after the first connector of the assembly that it leads to */
    private static function linked(Link $link, Assembly $assembly): array
    {
        $ends = array_filter(
            [Node::fitting(Node::named($link->from)) ?? '', Node::fitting(Node::named($link->to)) ?? ''],
            static fn (string $id): bool => in_array($id, $assembly->fittings, true),
        );

        return array_map(
            static fn (string $first): string => StepId::ofLink($first, $link->from, $link->to)->text(),
            array_slice(array_values($ends), 0, 1),
        );
    }

    /** What is done at a connector once all its joints are made. */
    private static function looked(OperationDraft $draft, string $fitting): string
    {
        $tug = StepId::ofFitting($fitting, StepKind::Tug)->text();

        return $draft->has($tug) ? $tug : StepId::ofFitting($fitting, StepKind::Inspect)->text();
    }

    /** A terminal as it is said: "Split in 3, contact 2". */
    private function name(string $node): string
    {
        $fitting = Node::fitting($node);

        return $fitting === null
            ? 'splice '.(Node::place($node)->splice ?? '')
            : sprintf(
                '%s, contact %s',
                $this->installation->fitting($fitting)->label ?? $fitting,
                Node::address($node),
            );
    }

    /** @param  array<int|string, EndWork>  $ends */
    private function cover(OperationDraft $draft, Run $run, array $ends): void
    {
        $sleeves = $this->covers[$run->id] ?? [];
        foreach ($sleeves as $cover) {
            $waits =
                ! self::lets($cover->sleeve, $ends['A'] ?? null) && ! self::lets($cover->sleeve, $ends['B'] ?? null);
            $ids = (new RunTasks($draft))->covers($run, [$cover], $waits);
            foreach ($waits ? $draft->joinsAt($run->id, Side::B) : [] as $join) {
                $draft->need($join, $ids, 'The sleeve does not go over the connectors of either end.');
            }
        }
    }

    private static function lets(Part $sleeve, ?EndWork $end): bool
    {
        foreach ($end->sheet->fittings ?? [] as $fitting) {
            if (! Passing::connector($sleeve, $fitting->type)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<int|string, Run>  $runs
     * @param  array<int|string, string>  $closes
     */
    private function test(OperationDraft $draft, Assembly $assembly, array $runs, array $closes): void
    {
        if ($runs === []) {
            return;
        }
        $codes = implode(', ', array_map(static fn (Run $run): string => $run->code, $runs));
        $test = $draft->add(
            new Operation(
                StepId::ofTest($assembly->id),
                Task::Test,
                $assembly->id,
                null,
                $codes,
                'Test it as one piece',
                Pace::Test,
                Phase::Test,
                tool: 'tester',
                like: 'test',
                why: 'What it should read follows from its pinout; what lights that should not is a short.',
            ),
        );
        $draft->need(
            $test,
            [
                ...array_values($closes),
                ...array_map(
                    static fn (string $id): string => StepId::ofRun($id, StepKind::Mark)->text(),
                    Names::from($runs),
                ),
            ],
            'It is tested as it leaves the bench.',
        );
    }
}
