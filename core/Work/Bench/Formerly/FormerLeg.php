<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench\Formerly;

use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Preparing\SlideOver;
use Sartal\Core\Ends\Preparing\WireFerrules;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Former\Recipe;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Alike;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\LegSlides;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\SheetLeg;
use Sartal\Core\Work\Bench\Spot;
use Sartal\Core\Work\Bench\Task;

/** What records call the steps by which a recipe prepared one leg. */
final readonly class FormerLeg
{
    public function __construct(
        private HouseRules $rules,
        private WireFerrules $wires,
        private SheetFitting $fitting,
        public SheetLeg $leg,
        private CableType $cable,
        public Spot $spot,
        private FormerLengths $lengths,
    ) {
    }

    /**
     * @param  bool  $shares  its connector took other legs too
     * @param  ?Part  $label  of the leg, where it has one of its own
     * @return list<FormerStep>
     */
    public function steps(bool $shares, ?Part $label): array
    {
        return [
            ...$this->slides($shares, $label),
            ...$this->strips($this->lengths->recipe()),
            $this->dress(),
            ...$this->covers(),
            ...$this->contacts(),
            ...$this->tin(),
        ];
    }

    private function id(StepKind $kind, ?string $key = null, ?string $first = null): StepId
    {
        return StepId::ofLeg($this->spot->run, $this->spot->side, $this->spot->leg, $kind, $key, $first);
    }

    /** @return list<FormerStep> */
    private function slides(bool $shares, ?Part $label): array
    {
        $slides = array_values(array_filter(
            $this->leg->preparation->slides,
            static fn (SlideOn $slide): bool => $slide->over === SlideOver::Leg &&
                $slide->before &&
                ! ($shares && $slide->part->kind->isOnePerConnector()),
        ));
        if ($label !== null && ! $label->split) {
            array_unshift($slides, new SlideOn($label, true, 'the label, printed'));
        }
        $alike = new Alike();
        $steps = [];
        foreach ($slides as $i => $slide) {
            $steps[] = $this->slide($slide, $this->id(StepKind::SlideOn, $alike->key($slide->part->id), 'slide|'.$i));
        }

        return $steps;
    }

    private function slide(SlideOn $slide, StepId $step): FormerStep
    {
        return FormerStep::at(
            $this->spot,
            $step,
            Task::SlideOn,
            'Slide on '.LegSlides::name($slide),
            $slide->note,
            part: $slide->part->id,
            facts: LegSlides::several($slide),
        );
    }

    /** @return list<FormerStep> */
    private function covers(): array
    {
        $alike = new Alike();
        $steps = [];
        foreach ($this->leg->preparation->slides as $i => $slide) {
            if ($slide->over !== SlideOver::Leg) {
                $step = $this->id(StepKind::CoreSleeve, $alike->key($slide->part->id), 'over|'.$i);
                $steps[] = $this->slide($slide, $step);
            }
        }

        return $steps;
    }

    /** @return list<FormerStep> mark by mark */
    private function strips(?Recipe $recipe): array
    {
        $steps = [];
        if ($recipe !== null && ! $recipe->discard->isZero()) {
            $steps[] = FormerStep::at(
                $this->spot,
                $this->id(StepKind::Discard),
                Task::Strip,
                'Cut off and throw away',
                at: $recipe->discard,
            );
        }
        $alike = new Alike();
        foreach ($recipe->steps ?? [] as $i => $mark) {
            $steps[] = FormerStep::at(
                $this->spot,
                $this->id(StepKind::Bare, $alike->key($mark->layer->value), 'strip|'.$i),
                Task::Strip,
                ucfirst(str_replace('-', ' ', $mark->layer->value)).': '.$mark->does,
                $mark->keep === '' ? '' : 'Keep '.$mark->keep.' whole.',
                $mark->at,
                layer: $mark->layer,
            );
        }

        return $steps;
    }

    private function dress(): FormerStep
    {
        $cuts = $this->lengths->cuts($this->fitting);
        $isOrdered = $this->joins(Joining::DisplacementPlug) || $this->joins(Joining::DisplacementSlot);
        $isEqual = count($cuts) === 1;

        return FormerStep::at(
            $this->spot,
            $this->id(StepKind::Dress),
            Task::Dress,
            $isOrdered ? 'Order the cores by colour, straighten, cut square' : 'Cut the cores to length',
            at: $isEqual ? $cuts[0]->length : null,
            cores: array_map(
                fn (CoreCut $core): BenchCore => new BenchCore(
                    $this->spot->run,
                    $core->joint->conductor,
                    '',
                    '',
                    $core->joint->function,
                    $core->joint->channel,
                ),
                $this->leg->preparation->cores,
            ),
            lengths: $isEqual ? [] : $cuts,
        );
    }

    /** @return list<FormerStep> crimped contacts, and bootlace ferrules on stranded wire under screws */
    private function contacts(): array
    {
        $conductors = $this->cable->conductors();
        $isCrimping = $this->rules->on(ContactsMade::class) === ContactsMade::AsMade;
        $steps = $seen = [];
        foreach ($this->leg->preparation->cores as $core) {
            $address = $core->joint->address();
            $terminal = $this->fitting->layout->terminal($address);
            $ferrule = $terminal?->joining->isScrewed() === true
                ? $this->wires->on($conductors[$core->joint->conductor] ?? null)
                : null;
            $isCrimped = $terminal?->joining === Joining::Crimp && $isCrimping;
            if (($ferrule === null && ! $isCrimped) || ($isCrimped && isset($seen[$address]))) {
                continue;
            }
            $seen += $isCrimped ? [$address => true] : [];
            $contact = $ferrule ?? ($this->leg->preparation->contacts[0] ?? null);
            $steps[] = FormerStep::at(
                $this->spot,
                $this->id(StepKind::Crimp, $core->joint->conductor),
                Task::Crimp,
                'Put on '.lcfirst($contact->name ?? 'the contact'),
                $isCrimped ? 'Insulation inside the rear barrel, none in the front one.' : 'No strand outside.',
                part: $contact->id ?? '',
                address: $address,
                cores: [BenchCore::from($core, $this->cable)],
            );
        }

        return $steps;
    }

    /** @return list<FormerStep> */
    private function tin(): array
    {
        $isSoldered = $this->rules->on(ContactsMade::class) === ContactsMade::SolderAll;
        $isMains = $this->fitting->type->domain === HazardDomain::Mains &&
            $this->rules->on(MainsEnds::class) === MainsEnds::Tinned;
        $isHot = $isScreen = false;
        foreach ($this->leg->preparation->cores as $core) {
            $joining = $this->fitting->layout->terminal($core->joint->address())?->joining;
            $isHot = $isHot || $joining?->isHot() === true || ($joining === Joining::Crimp && $isSoldered) ||
                ($joining?->isScrewed() === true && $isMains);
            $isScreen = $isScreen || str_contains($core->joint->function, 'screen');
        }
        $screen = $this->rules->on(ScreenTinning::class);

        return ! $isHot ? [] : [
            FormerStep::at(
                $this->spot,
                $this->id(StepKind::Tin),
                Task::Tin,
                'Tin the cores',
                $isScreen ? 'Of the screen '.$screen->words().'.' : '',
                facts: $isScreen ? [$screen->value] : [],
            ),
        ];
    }

    private function joins(Joining $by): bool
    {
        foreach ($this->leg->preparation->cores as $core) {
            if ($this->fitting->layout->terminal($core->joint->address())?->joining === $by) {
                return true;
            }
        }

        return false;
    }

    /** @return list<SlideOn> what could wait until the joints were seen */
    public function late(bool $shares): array
    {
        return array_values(array_filter(
            $this->leg->preparation->slides,
            static fn (SlideOn $slide): bool => $slide->over === SlideOver::Leg &&
                ! $slide->before &&
                ! ($shares && $slide->part->kind->isOnePerConnector()),
        ));
    }

    /** @return list<string> steps that put shrink on: over joints, and over the leg */
    public function shrinks(bool $shares, ?Part $label, StepKind $kind): array
    {
        $put = $kind === StepKind::CoreSleeve ? $this->covers() : $this->slides($shares, $label);
        $isShrink = [];
        foreach ($this->leg->preparation->slides as $slide) {
            $isShrink[$slide->part->id] = $slide->part->kind === PartKind::Shrink;
        }

        return array_values(array_map(
            static fn (FormerStep $step): string => $step->step->text(),
            array_filter(
                $put,
                static fn (FormerStep $step): bool => $kind === StepKind::CoreSleeve ||
                    ($isShrink[$step->part] ?? false),
            ),
        ));
    }
}
