<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench\Formerly;

use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Alike;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\LegSlides;
use Sartal\Core\Work\Bench\PanelHardware;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\Spot;
use Sartal\Core\Work\Bench\Task;

/** What records call the steps that recipes had at one connector: join, tug, look over, shrink, close. */
final readonly class FormerFitting
{
    private Spot $spot;

    /**
     * @param  non-empty-list<FormerLeg>  $legs
     * @param  array<int|string, CableType>  $cables  by run
     * @param  array<int, ?Part>  $labels  of the legs, where they have one of their own
     */
    public function __construct(
        private SheetFitting $sheet,
        private array $legs,
        private array $cables,
        private array $labels,
        private Catalogue $catalogue,
    ) {
        $first = $legs[0]->spot;
        $this->spot = new Spot(
            $first->run,
            $first->side,
            $sheet->fitting->id,
            count($legs) === 1 ? $first->leg : '',
            '',
        );
    }

    /** @return list<FormerStep> */
    public function steps(): array
    {
        $shared = $this->shared();

        return [
            ...$this->sharedSteps($shared),
            ...$this->joins(),
            $this->step(StepKind::Tug, Task::Tug, 'Tug every joint lightly'),
            $this->step(StepKind::Inspect, Task::Inspect, 'Look it over before it is closed'),
            ...$this->close($shared),
        ];
    }

    private function id(StepKind $kind, ?string $key = null, ?string $first = null): StepId
    {
        return StepId::ofFitting($this->sheet->fitting->id, $kind, $key, $first);
    }

    private function step(StepKind $kind, Task $task, string $words, string $detail = ''): FormerStep
    {
        return FormerStep::at($this->spot, $this->id($kind), $task, $words, $detail);
    }

    private function isShared(): bool
    {
        return count($this->legs) > 1;
    }

    /** @return list<SlideOn> hood, shell and nut that several legs shared */
    private function shared(): array
    {
        $shared = [];
        foreach ($this->isShared() ? $this->legs : [] as $leg) {
            foreach ($leg->leg->preparation->slides as $slide) {
                if ($slide->part->kind->isOnePerConnector()) {
                    $shared[$slide->part->id] ??= $slide;
                }
            }
        }

        return array_values($shared);
    }

    /**
     * @param  list<SlideOn>  $shared
     * @return list<FormerStep>
     */
    private function sharedSteps(array $shared): array
    {
        $steps = [];
        foreach ($shared as $slide) {
            $steps[] = ! $slide->before ? null : FormerStep::at(
                $this->spot,
                $this->id(StepKind::SlideOn, $slide->part->id, 'slide|'.$slide->part->id),
                Task::SlideOn,
                'Slide on '.LegSlides::name($slide),
                'over the sheath, once for all that goes into it',
                part: $slide->part->id,
            );
        }

        return array_values(array_filter($steps));
    }

    /** @return list<FormerStep> terminal by terminal; wires that met in one went in together */
    private function joins(): array
    {
        $terminals = [];
        foreach ($this->legs as $leg) {
            foreach ($leg->leg->preparation->cores as $core) {
                $address = $core->joint->address();
                // One stroke of the tool joined all contacts of such a plug.
                $key = match (true) {
                    $address === '' => $core->joint->to,
                    $this->sheet->layout->terminal($address)?->joining === Joining::DisplacementPlug => 'all'.
                        self::insertOf($address),
                    default => $address,
                };
                $terminals[$key][] = [$leg, $core];
            }
        }
        $steps = [];
        foreach ($terminals as $key => $wires) {
            $steps[] = $this->join((string) $key, $wires);
        }

        return $steps;
    }

    /** @param  non-empty-list<array{FormerLeg, CoreCut}>  $wires */
    private function join(string $key, array $wires): FormerStep
    {
        [$leg, $core] = $wires[0];
        $address = $core->joint->address();
        $terminal = $this->sheet->layout->terminal($address);
        $joining = $terminal?->joining;
        $ferrule = $terminal === null && $address !== '' ? self::ferrule($leg) : null;
        $legs = array_unique(array_map(static fn (array $wire): string => $wire[0]->leg->leg->id, $wires));

        return FormerStep::at(
            new Spot(
                $leg->spot->run,
                $leg->spot->side,
                $this->sheet->fitting->id,
                count($legs) === 1 ? $leg->leg->leg->id : '',
                '',
            ),
            $this->id(StepKind::Join, $key),
            Task::Join,
            self::words($joining, $ferrule, $address),
            $this->sheet->layout->cavities[$address]->terminal ?? '',
            part: $ferrule->id ?? '',
            address: $joining === Joining::DisplacementPlug ? '' : $address,
            cores: array_map(
                fn (array $wire): BenchCore => BenchCore::from($wire[1], $this->cables[$wire[0]->spot->run]),
                $wires,
            ),
        );
    }

    private static function ferrule(FormerLeg $leg): ?Part
    {
        foreach ($leg->leg->preparation->slides as $slide) {
            if ($slide->part->kind === PartKind::Ferrule) {
                return $slide->part;
            }
        }

        return null;
    }

    private static function words(?Joining $joining, ?Part $ferrule, string $address): string
    {
        return match (true) {
            $address === '' => 'Splice it and insulate the splice',
            $joining === Joining::DisplacementPlug => 'Push all in to the front wall, then close the tool',
            $joining === Joining::Crimp => 'Insert the contact into '.$address,
            $joining === Joining::CoaxCrimp => 'Crimp the centre pin',
            $joining === Joining::CoaxClamp => 'Clamp the centre pin',
            $joining !== null => ucfirst($joining->words()),
            $ferrule !== null => sprintf(
                'Body on, screen over it, ferrule up: %s',
                $ferrule->crimps > 1 ? $ferrule->crimps.' crimps' : 'one crimp',
            ),
            default => 'Join to the shell',
        };
    }

    private static function insertOf(string $address): string
    {
        $slash = strrpos($address, '/');

        return $slash === false ? '' : substr($address, 0, $slash);
    }

    /**
     * @param  list<SlideOn>  $shared
     * @return list<FormerStep>
     */
    private function close(array $shared): array
    {
        $steps = [];
        foreach ($this->legs as $i => $leg) {
            $covers = $leg->shrinks($this->isShared(), $this->labels[$i], StepKind::CoreSleeve);
            foreach ($covers as $j => $cover) {
                $steps[] = $this->shrink($leg, $this->id(StepKind::ShrinkJoints, $cover, 'cover|'.$i.'.'.$j),
                    'Shrink it over the joints');
            }
        }
        $steps[] = $this->closing($shared);
        $alike = new Alike();
        foreach ($this->legs as $i => $leg) {
            foreach ($leg->shrinks($this->isShared(), $this->labels[$i], StepKind::SlideOn) as $j => $slid) {
                $steps[] = $this->shrink($leg, $this->id(StepKind::ShrinkTail, $slid, 'shrink|'.$i.'.'.$j),
                    'Bring the shrink up and shrink it');
            }
            foreach ($leg->late($this->isShared()) as $j => $slide) {
                $key = $alike->key(
                    implode(' ', [$slide->part->id, $leg->spot->run, $leg->spot->side->value, $leg->leg->leg->id]),
                );
                array_push($steps, ...$this->late($slide, $leg, $key, 'late|'.$i.'.'.$j));
            }
        }

        return $steps;
    }

    /** @param  list<SlideOn>  $shared */
    private function closing(array $shared): FormerStep
    {
        $up = array_map(static fn (SlideOn $slide): string => $slide->part->name, $shared);
        foreach ($this->legs as $leg) {
            foreach ($leg->leg->preparation->slides as $slide) {
                $stays = [PartKind::Shrink, PartKind::Ferrule, PartKind::Label];
                if (! in_array($slide->part->kind, $stays, true) && ! in_array($slide->part->name, $up, true)) {
                    $up[] = $slide->part->name;
                }
            }
        }
        $isPanel = $this->sheet->type->mount === Mount::Panel;

        return $this->step(
            StepKind::Close,
            Task::Close,
            $isPanel ? 'Fix it in its panel' : 'Close the connector',
            match (true) {
                $isPanel => implode(', ', PanelHardware::names($this->sheet->type, $this->catalogue)),
                $up === [] => 'Sheath under the strain relief.',
                default => 'Bring up: '.implode(', ', array_map(lcfirst(...), array_reverse($up))).'.',
            },
        );
    }

    private function of(FormerLeg $leg): Spot
    {
        return new Spot($this->spot->run, $this->spot->side, $this->spot->fitting, $leg->leg->leg->id, '');
    }

    private function shrink(FormerLeg $leg, StepId $step, string $words): FormerStep
    {
        return FormerStep::at($this->of($leg), $step, Task::Shrink, $words);
    }

    /** @return list<FormerStep> what opened along its side, or cleared the connector */
    private function late(SlideOn $slide, FormerLeg $leg, string $key, string $first): array
    {
        $isShrink = $slide->part->kind === PartKind::Shrink;

        return [
            FormerStep::at(
                $this->of($leg),
                $this->id(StepKind::BringUp, $key, $first),
                Task::Close,
                ($isShrink ? 'Slide on ' : 'Fit ').LegSlides::name($slide),
                $slide->note,
                part: $slide->part->id,
            ),
            ...$isShrink
                ? [$this->shrink($leg, $this->id(StepKind::ShrinkBroughtUp, $key, $first.'|shrink'), 'Shrink it')]
                : [],
        ];
    }
}
