<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\SlideOver;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Layer;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/** What is done to one leg before it meets its connector: slide on, strip, dress, crimp, tin. */
final readonly class LegTasks
{
    /** Tinned strands carry their heat into the insulation: a minute or two, common practice. */
    private const COOLING = 90;

    public function __construct(
        private OperationDraft $draft,
        private HouseRules $rules,
        private WireFerrules $wires,
    ) {
    }

    /**
     * @param  bool  $shares  its connector takes other legs too, so that hood, shell and nut go on once for all
     * @param  ?Part  $label  of the leg, where it has one of its own
     * @param  list<string>  $after  operations on the run and on the sheath that all of this waits for
     */
    public function of(
        Run $run,
        Side $side,
        SheetFitting $fitting,
        SheetLeg $leg,
        CableType $cable,
        bool $shares,
        ?Part $label,
        array $after,
    ): LegWork {
        $step = static fn (StepKind $kind, ?string $key = null, ?string $first = null): StepId => StepId::ofLeg(
            $run->id,
            $side,
            $leg->leg->id,
            $kind,
            $key,
            $first,
        );
        $place =
            sprintf('%s end %s', $run->code, $side->value).
            (count($run->end($side)->legs) > 1 ? ', tail '.$leg->leg->label : '');
        $base = [
            'run' => $run->id,
            'side' => $side,
            'fitting' => $fitting->fitting->id,
            'leg' => $leg->leg->id,
            'place' => $place,
        ];
        $skill = self::isMains($fitting) ? Skill::Mains : null;
        [$early, $late] = LegSlides::parted($leg->preparation->slides, $shares);
        [$slid, $sleeve, $shrinks] = (new LegSlides($this->draft))->of($early, $label, $base, $step, $after, $skill);
        [$covers, $coresSlides] = [[], []];
        $last = $this->strip($leg, $base, $step, $after, $skill);
        $dressed = $this->dress($leg, $fitting, $base, $step, [...$after, $last], $skill);
        $alike = new Alike();
        foreach ($leg->preparation->slides as $i => $slide) {
            if ($slide->over === SlideOver::Leg) {
                continue;
            }
            $covers[] = $coresSlides[] = $cover = $this->draft->add(
                new Operation(
                    ...$base + [
                        'step' => $step(StepKind::CoreSleeve, $alike->key($slide->part->id), 'over|'.$i),
                        'task' => Task::SlideOn,
                        'words' => 'Slide on '.LegSlides::name($slide),
                        'pace' => Pace::SlideOn,
                        'phase' => Phase::OnCores,
                        'detail' => $slide->note,
                        'part' => $slide->part->id,
                        'like' => 'over|'.$slide->part->id,
                        'why' => $slide->why,
                        'skill' => $skill,
                        'amount' => (float) $slide->count,
                        'facts' => LegSlides::several($slide),
                    ],
                ),
            );
            $this->draft->need($cover, $dressed, 'It goes over the bared core.');
        }
        $ended = $this->ends($leg, $fitting, $cable, $base, $step, $dressed, $skill);
        $ready = $this->tin($leg, $fitting, $base, $step, $dressed, $skill);

        return new LegWork(
            $run,
            $side,
            $leg,
            $place,
            [...$slid, ...$coresSlides],
            $ready,
            $ended,
            $late,
            $covers,
            $shrinks,
            $sleeve,
        );
    }

    /**
     * Mark by mark, as the recipe has them.
     *
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string}  $base
     * @param  \Closure(StepKind, ?string=, ?string=): StepId  $step
     * @param  list<string>  $after
     */
    private function strip(SheetLeg $leg, array $base, \Closure $step, array $after, ?Skill $skill): string
    {
        $recipe = $leg->preparation->recipe;
        $last = '';
        if ($recipe === null) {
            return $last;
        }
        if (! $recipe->discard->isZero()) {
            $last = $this->draft->add(
                new Operation(
                    ...$base + [
                        'step' => $step(StepKind::Discard),
                        'task' => Task::Strip,
                        'words' => 'Cut off and throw away',
                        'pace' => Pace::Strip,
                        'phase' => Phase::Discard,
                        'at' => $recipe->discard,
                        'like' => 'discard|'.$recipe->id,
                        'skill' => $skill,
                        'cautions' => Cautions::for(Task::Strip),
                        'why' => 'The blade may have nicked it.',
                    ],
                ),
            );
            $this->draft->need($last, $after, 'The end is free once these are done.');
        }
        $alike = new Alike();
        foreach ($recipe->steps as $i => $mark) {
            $strip = $this->draft->add(
                new Operation(
                    ...$base + [
                        'step' => $step(StepKind::Bare, $alike->key($mark->layer->value), 'strip|'.$i),
                        'task' => Task::Strip,
                        'words' => ucfirst(self::layer($mark->layer)).': '.$mark->does,
                        'pace' => Pace::Strip,
                        'phase' => Phase::Bare,
                        'turn' => $i,
                        'detail' => $mark->keep === '' ? '' : 'Keep '.$mark->keep.' whole.',
                        'at' => $mark->at,
                        'tool' => $mark->tool,
                        'check' => $mark->check,
                        'like' => 'strip|'.$recipe->id.'|'.$i.'|'.$mark->at->nanometres,
                        'skill' => $skill,
                        'cautions' => Cautions::for(Task::Strip),
                        'amount' => $mark->layer === Layer::Insulation ? self::handfuls($leg) : 1.0,
                        'why' => $recipe->source === ''
                                ? 'As the recipe '.$recipe->name.' has it.'
                                : $recipe->name.': '.$recipe->source,
                    ],
                ),
            );
            $last === ''
                ? $this->draft->need($strip, $after, 'The end is free once these are done.')
                : $this->draft->need($strip, $last, 'What lies outside comes off first.');
            $last = $strip;
        }

        return $last;
    }

    /**
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string}  $base
     * @param  \Closure(StepKind, ?string=, ?string=): StepId  $step
     * @param  list<string>  $after
     */
    private function dress(
        SheetLeg $leg,
        SheetFitting $fitting,
        array $base,
        \Closure $step,
        array $after,
        ?Skill $skill,
    ): string {
        $cuts = self::cuts($leg, $fitting);
        $ordered =
            self::joins($leg, $fitting, Joining::DisplacementPlug) ||
            self::joins($leg, $fitting, Joining::DisplacementSlot);
        $equal = count($cuts) === 1;
        $dress = $this->draft->add(
            new Operation(
                ...$base + [
                    'step' => $step(StepKind::Dress),
                    'task' => Task::Dress,
                    'words' => $ordered
                        ? 'Order the cores by colour, straighten, cut square'
                        : 'Cut the cores to length',
                    'pace' => $ordered ? Pace::Order : Pace::Dress,
                    'phase' => Phase::Dress,
                    'at' => $equal ? $cuts[0]->length : null,
                    'lengths' => $equal ? [] : $cuts,
                    'amount' => $ordered ? 1.0 : self::handfuls($leg),
                    'tool' => 'flush cutter',
                    'cores' => array_map(
                        fn (CoreCut $core): BenchCore => new BenchCore(
                            $base['run'],
                            $core->joint->conductor,
                            '',
                            '',
                            $core->joint->function,
                            $core->joint->channel,
                        ),
                        $leg->preparation->cores,
                    ),
                    'check' => $skill === Skill::Mains ? 'Protective earth is the longest.' : '',
                    'like' => 'dress|'.($ordered ? 'order' : 'cut'),
                    'skill' => $skill,
                    'why' => $equal
                        ? 'Conductors of one length share the pull.'
                        : 'Each is cut to the distance of its own terminal.',
                ],
            ),
        );
        $this->draft->need(
            $dress,
            array_values(array_filter($after)),
            'Cores are cut once everything around them is off.',
        );

        return $dress;
    }

    /**
     * Where each core has its own terminal to reach, block by block; elsewhere by function.
     *
     * @return list<CutTo>
     */
    private static function cuts(SheetLeg $leg, SheetFitting $fitting): array
    {
        $names = $fitting->blockNames();
        $ranges = $conductors = [];
        foreach ($leg->preparation->cores as $core) {
            $name = $names[$core->joint->channel] ?? ($core->joint->function === '' ? 'core' : $core->joint->function);
            $conductors[$name][] = $core->joint->conductor;
            $length = $core->length->result;
            [$least, $most] = $ranges[$name] ?? [$length, $length];
            $ranges[$name] = [
                $length->compare($least) < 0 ? $length : $least,
                $length->compare($most) > 0 ? $length : $most,
            ];
        }
        $cuts = [];
        foreach ($ranges as $name => [$least, $most]) {
            $cuts[] = new CutTo(
                $least,
                (string) $name,
                $most->compare($least) === 0 ? null : $most,
                $conductors[$name],
            );
        }
        $equal =
            count(
                array_unique(
                    array_map(
                        static fn (CutTo $cut): string => $cut->length->canonical().($cut->most?->canonical() ?? ''),
                        $cuts,
                    ),
                ),
            ) === 1;

        return $equal ? array_slice($cuts, 0, 1) : $cuts;
    }

    /** Work on single cores takes as much longer as there are more of them than a pair and its screen. */
    private static function handfuls(SheetLeg $leg): float
    {
        return max(1.0, count($leg->preparation->cores) / 3);
    }

    /**
     * Crimped contacts, and bootlace ferrules on stranded wire under screws.
     *
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string}  $base
     * @param  \Closure(StepKind, ?string=, ?string=): StepId  $step
     * @return array<int|string, string> conductor → operation
     */
    private function ends(
        SheetLeg $leg,
        SheetFitting $fitting,
        CableType $cable,
        array $base,
        \Closure $step,
        string $dressed,
        ?Skill $skill,
    ): array {
        $conductors = $cable->conductors();
        $ended = $byContact = [];
        foreach ($leg->preparation->cores as $core) {
            $terminal = $fitting->layout->terminal($core->joint->address());
            $ferrule =
                $terminal?->joining->isScrewed() === true
                    ? $this->wires->on($conductors[$core->joint->conductor] ?? null)
                    : null;
            $crimped =
                $terminal?->joining === Joining::Crimp &&
                $this->rules->on(ContactsMade::class) === ContactsMade::AsMade;
            if ($ferrule === null && ! $crimped) {
                continue;
            }
            if ($crimped && isset($byContact[$core->joint->address()])) {
                $ended[$core->joint->conductor] = $byContact[$core->joint->address()];

                continue;
            }
            $contact = $ferrule ?? ($leg->preparation->contacts[0] ?? null);
            $ended[$core->joint->conductor] = $crimp = $this->draft->add(
                new Operation(
                    ...$base + [
                        'step' => $step(StepKind::Crimp, $core->joint->conductor),
                        'task' => Task::Crimp,
                        'words' => 'Put on '.lcfirst($contact->name ?? 'the contact'),
                        'pace' => Pace::Crimp,
                        'phase' => Phase::Crimp,
                        'address' => $core->joint->address(),
                        'detail' => $crimped
                            ? 'Insulation inside the rear barrel, none in the front one.'
                            : 'No strand outside.',
                        'tool' => $contact->tool ?? '',
                        'part' => $contact->id ?? '',
                        'cores' => [BenchCore::from($core, $cable)],
                        'check' => 'One crimp, with this die.',
                        'like' => 'crimp|'.($contact->id ?? ''),
                        'skill' => $skill ?? Skill::Crimp,
                        'why' => $crimped
                            ? 'All are crimped before any is inserted: one tool, one setting.'
                            : 'Strands under a screw creep; a ferrule keeps them together.',
                    ],
                ),
            );
            $this->draft->need($crimp, $dressed, 'A core is crimped once it has its length.');
            if ($crimped) {
                $byContact[$core->joint->address()] = $crimp;
            }
        }

        return $ended;
    }

    /**
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string}  $base
     * @param  \Closure(StepKind, ?string=, ?string=): StepId  $step
     */
    private function tin(
        SheetLeg $leg,
        SheetFitting $fitting,
        array $base,
        \Closure $step,
        string $dressed,
        ?Skill $skill,
    ): string {
        $hot = $screen = false;
        foreach ($leg->preparation->cores as $core) {
            $joining = $fitting->layout->terminal($core->joint->address())?->joining;
            $hot =
                $hot ||
                $joining?->isHot() === true ||
                ($joining === Joining::Crimp && $this->rules->on(ContactsMade::class) === ContactsMade::SolderAll) ||
                ($joining?->isScrewed() === true &&
                    $fitting->type->domain === HazardDomain::Mains &&
                    $this->rules->on(MainsEnds::class) === MainsEnds::Tinned);
            $screen = $screen || str_contains($core->joint->function, 'screen');
        }
        if (! $hot) {
            return $dressed;
        }
        $tin = $this->draft->add(
            new Operation(
                ...$base + [
                    'step' => $step(StepKind::Tin),
                    'task' => Task::Tin,
                    'words' => 'Tin the cores',
                    'pace' => Pace::Tin,
                    'phase' => Phase::Tin,
                    'detail' => $screen ? 'Of the screen '.$this->rules->on(ScreenTinning::class)->words().'.' : '',
                    'tool' => 'iron at 350 °C',
                    'like' => 'tin',
                    'skill' => $skill ?? Skill::Solder,
                    'wait' => self::COOLING,
                    'cautions' => Cautions::for(Task::Tin),
                    'amount' => (float) count($leg->preparation->cores),
                    'check' => 'Bright, no blob, insulation not melted.',
                    'facts' => $screen ? [$this->rules->on(ScreenTinning::class)->value] : [],
                    'why' => 'Tinned strands hold together in the cup; they cool a minute or two before they go in.',
                ],
            ),
        );
        $this->draft->need($tin, $dressed, 'A core is tinned once it has its length.');

        return $tin;
    }

    private static function joins(SheetLeg $leg, SheetFitting $fitting, Joining $by): bool
    {
        foreach ($leg->preparation->cores as $core) {
            if ($fitting->layout->terminal($core->joint->address())?->joining === $by) {
                return true;
            }
        }

        return false;
    }

    public static function isMains(SheetFitting $fitting): bool
    {
        return $fitting->type->domain === HazardDomain::Mains;
    }

    private static function layer(Layer $layer): string
    {
        return str_replace('-', ' ', $layer->value);
    }
}
