<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/** What is done at one connector, once its legs are ready: join, tug, inspect, shrink, close. */
final readonly class FittingTasks
{
    /** mm²; from here on a joint is heavy, and heats what lies beside it: common practice. */
    private const HEAVY = 2.5;

    private const COOLING = 60;

    public function __construct(private OperationDraft $draft, private Installation $installation)
    {
    }

    /**
     * @param  non-empty-list<SheetFitting>  $sheets  the fitting as each of its ends sees it
     * @param  non-empty-list<LegWork>  $legs
     * @param  array<int|string, CableType>  $cables  by run
     * @return string the operation after which it is closed
     */
    public function of(array $sheets, array $legs, array $cables): string
    {
        $sheet = $sheets[0];
        $first = $legs[0];
        $places = array_values(
            array_unique(
                array_map(
                    static fn (LegWork $leg): string => sprintf('%s end %s', $leg->run->code, $leg->side->value),
                    $legs,
                ),
            ),
        );
        $place = count($legs) === 1 ? $first->place : implode(' and ', $places).', '.$sheet->fitting->label;
        $base = [
            'run' => $first->run->id,
            'side' => $first->side,
            'fitting' => $sheet->fitting->id,
            'leg' => count($legs) === 1 ? $first->leg->leg->id : '',
            'place' => $place,
            'with' => array_values(
                array_diff(array_unique(array_map(static fn (LegWork $leg): string => $leg->run->id, $legs)), [
                    $first->run->id,
                ]),
            ),
        ];
        $mains = LegTasks::isMains($sheet);
        $skill = $mains ? Skill::Mains : null;
        $cautions = Cautions::at($sheet->type);
        $shared = count($legs) > 1 ? $this->sharedSlides($legs, $base, $skill) : [];
        $joins = $this->joins($sheet, $legs, $cables, $base, $skill, $cautions, array_column($shared, 0));
        $tug = $this->draft->add(
            new Operation(
                ...$base + [
                    'step' => StepId::ofFitting($sheet->fitting->id, StepKind::Tug),
                    'task' => Task::Tug,
                    'words' => 'Tug every joint lightly',
                    'pace' => Pace::Tug,
                    'phase' => Phase::Tug,
                    'like' => 'tug',
                    'skill' => $skill,
                    'why' => 'A dry joint or a missed crimp moves.',
                    'check' => 'Nothing moves.',
                    'amount' => (float) max(1, count($joins)),
                ],
            ),
        );
        $this->draft->need($tug, $joins, 'All its joints are made first.');
        $joining = $sheet->terminals === [] ? null : $sheet->terminals[0]->joining;
        $inspect = $this->draft->add(
            new Operation(
                ...$base + [
                    'step' => StepId::ofFitting($sheet->fitting->id, StepKind::Inspect),
                    'task' => Task::Inspect,
                    'words' => 'Look it over before it is closed',
                    'pace' => Pace::Inspect,
                    'phase' => Phase::Inspect,
                    'like' => 'inspect|'.($joining->value ?? ''),
                    'skill' => $skill,
                    'joining' => $joining,
                    'why' => 'Rework takes minutes now; once it is closed it is a new end.',
                ],
            ),
        );
        $this->draft->need($inspect, $tug, 'What comes loose shows before it is looked at.');

        return $this->close($sheet, $legs, $base, $skill, $inspect, array_column($shared, 1));
    }

    /**
     * Hood, shell and nut that several legs share.
     *
     * @param  non-empty-list<LegWork>  $legs
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string, with: list<string>}  $base
     * @return list<array{string, SlideOn}> operation, or "" where it can wait
     */
    private function sharedSlides(array $legs, array $base, ?Skill $skill): array
    {
        $made = [];
        foreach ($legs as $leg) {
            foreach ($leg->leg->preparation->slides as $slide) {
                if (! $slide->part->kind->isOnePerConnector() || isset($made[$slide->part->id])) {
                    continue;
                }
                $id = '';
                if ($slide->before) {
                    $id = $this->draft->add(
                        new Operation(
                            ...['leg' => ''] +
                                $base + [
                                    'step' => StepId::ofFitting(
                                        $base['fitting'],
                                        StepKind::SlideOn,
                                        $slide->part->id,
                                        'slide|'.$slide->part->id,
                                    ),
                                    'task' => Task::SlideOn,
                                    'words' => 'Slide on '.LegSlides::name($slide),
                                    'pace' => Pace::SlideOn,
                                    'phase' => Phase::OnceForAll,
                                    'detail' => 'over the sheath, once for all that goes into it',
                                    'part' => $slide->part->id,
                                    'like' => 'slide|'.$slide->part->id,
                                    'why' => $slide->why,
                                    'skill' => $skill,
                                ],
                        ),
                    );
                }
                $made[$slide->part->id] = [$id, $slide];
            }
        }

        return array_values($made);
    }

    /**
     * Terminal by terminal, in the house's order; wires that meet in one go in together.
     *
     * @param  non-empty-list<LegWork>  $legs
     * @param  array<int|string, CableType>  $cables
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string, with: list<string>}  $base
     * @param  list<string>  $cautions
     * @param  list<string>  $shared
     * @return list<string>
     */
    private function joins(
        SheetFitting $sheet,
        array $legs,
        array $cables,
        array $base,
        ?Skill $skill,
        array $cautions,
        array $shared,
    ): array {
        $terminals = $needs = $heavy = [];
        foreach ($legs as $leg) {
            foreach ($leg->leg->preparation->cores as $core) {
                $address = $core->joint->address();
                $terminal = $sheet->layout->terminal($address);
                // One stroke of the tool joins all contacts of such a plug.
                $key = match (true) {
                    $address === '' => $core->joint->to,
                    $terminal?->joining === Joining::DisplacementPlug => 'all'.self::insertOf($address),
                    default => $address,
                };
                $terminals[$key][] = [$leg, $core];
                $needs[$key] = [
                    ...$needs[$key] ?? [],
                    $leg->dressed,
                    ...$leg->slid,
                    ...array_filter([$leg->ended[$core->joint->conductor] ?? '']),
                ];
                $area = ($cables[$leg->run->id]->conductors()[$core->joint->conductor] ?? null)?->gauge->area ?? 0.0;
                if ($terminal?->joining->isHot() === true && $area >= self::HEAVY) {
                    $heavy[$key] = true;
                }
            }
        }
        $ids = [];
        $order = 0;
        foreach ($heavy + array_fill_keys(array_keys($terminals), true) as $key => $_) {
            $ids[(string) $key] = $this->join(
                $sheet,
                (string) $key,
                $terminals[$key],
                $cables,
                $base,
                $skill,
                $cautions,
                $order++,
                isset($heavy[$key]),
            );
            $this->draft->need(
                $ids[$key],
                array_values(array_unique($needs[$key])),
                'It is ready to be joined, with everything on it that does not pass the connector.',
            );
            $this->draft->need($ids[$key], array_values(array_filter($shared)), 'It does not pass the connector.');
        }
        foreach ($ids as $key => $id) {
            if (! isset($heavy[$key])) {
                $this->draft->need(
                    $id,
                    array_values(array_intersect_key($ids, $heavy)),
                    'A heavy joint is made first and left to cool before its neighbours.',
                );
            }
        }
        $this->pinFirst($sheet, $ids);

        return array_values($ids);
    }

    /**
     * @param  non-empty-list<array{LegWork, CoreCut}>  $wires
     * @param  array<int|string, CableType>  $cables
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string, with: list<string>}  $base
     * @param  list<string>  $cautions
     */
    private function join(
        SheetFitting $sheet,
        string $key,
        array $wires,
        array $cables,
        array $base,
        ?Skill $skill,
        array $cautions,
        int $order,
        bool $heavy,
    ): string {
        $cores = array_map(
            static fn (array $wire): BenchCore => BenchCore::from($wire[1], $cables[$wire[0]->run->id]),
            $wires,
        );
        $address = $wires[0][1]->joint->address();
        $terminal = $sheet->layout->terminal($address);
        $joining = $terminal?->joining;
        $ferrule = $terminal === null && $address !== '' ? $this->ferrule($wires[0][0]) : null;
        $leg =
            count(array_unique(array_map(static fn (array $wire): string => $wire[0]->leg->leg->id, $wires))) === 1
                ? $wires[0][0]->leg->leg->id
                : '';

        return $this->draft->add(
            new Operation(
                ...[
                    'run' => $wires[0][0]->run->id,
                    'side' => $wires[0][0]->side,
                    'leg' => $leg,
                    'place' => $leg === '' ? $base['place'] : $wires[0][0]->place,
                ] +
                    $base + [
                        'step' => StepId::ofFitting($sheet->fitting->id, StepKind::Join, $key),
                        'task' => Task::Join,
                        'words' => $this->words($joining, $ferrule, $address),
                        'pace' => $joining === null ? Pace::JoinCoax : Pace::joining($joining),
                        'phase' => Phase::Join,
                        'address' => $joining === Joining::DisplacementPlug ? '' : $address,
                        'detail' => $sheet->layout->cavities[$address]->terminal ?? '',
                        'tool' => $ferrule->tool ?? ($terminal->tool ?? ''),
                        'part' => $ferrule->id ?? '',
                        'cores' => $cores,
                        'cautions' => array_values(
                            array_unique([...Cautions::for(Task::Join, $joining), ...$cautions]),
                        ),
                        'like' => 'join|'.$sheet->type->id.'|'.($joining->value ?? 'shell'),
                        'joining' => $joining,
                        'skill' => $skill ?? self::skill($joining),
                        'wait' => $heavy ? self::COOLING : 0,
                        'check' => $joining === Joining::DisplacementPlug
                                ? 'Every conductor seen at the front wall before the tool is closed.'
                                : '',
                        'why' => $heavy
                            ? 'A heavy joint is made first and left to cool before its neighbours.'
                            : ($order === 0
                                ? 'The hardest to reach comes first, as the house has it.'
                                : ''),
                    ],
            ),
        );
    }

    /**
     * The centre pin goes in before the body covers it.
     *
     * @param  array<int|string, string>  $joins  key → operation
     */
    private function pinFirst(SheetFitting $sheet, array $joins): void
    {
        foreach ($joins as $key => $id) {
            if ($sheet->layout->terminal((string) $key) !== null) {
                continue;
            }
            foreach ($joins as $other => $pin) {
                if (
                    $sheet->layout->terminal((string) $other)?->joining === Joining::CoaxCrimp &&
                    self::insertOf((string) $other) === self::insertOf((string) $key)
                ) {
                    $this->draft->need($id, $pin, 'The body goes over the centre pin.');
                }
            }
        }
    }

    /**
     * @param  non-empty-list<LegWork>  $legs
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string, with: list<string>}  $base
     * @param  list<SlideOn>  $shared
     */
    private function close(
        SheetFitting $sheet,
        array $legs,
        array $base,
        ?Skill $skill,
        string $inspect,
        array $shared,
    ): string {
        $before = [$inspect];
        $up = array_map(static fn (SlideOn $slide): string => $slide->part->name, $shared);
        foreach ($legs as $i => $leg) {
            foreach ($leg->covers as $j => $cover) {
                $before[] = $this->shrink(
                    $leg,
                    $base,
                    StepId::ofFitting($sheet->fitting->id, StepKind::ShrinkJoints, $cover, 'cover|'.$i.'.'.$j),
                    'Shrink it over the joints',
                    Phase::CoverJoints,
                    [$inspect, $cover],
                    $skill,
                    'Under shrink a joint is not seen again.',
                );
            }
            foreach ($leg->leg->preparation->slides as $slide) {
                if (
                    ! in_array($slide->part->kind, [PartKind::Shrink, PartKind::Ferrule, PartKind::Label], true) &&
                    ! in_array($slide->part->name, $up, true)
                ) {
                    $up[] = $slide->part->name;
                }
            }
        }
        $panel = $sheet->type->mount === Mount::Panel;
        $hardware = PanelHardware::names($sheet->type, $this->installation->catalogue);
        $close = $this->draft->add(
            new Operation(
                ...$base + [
                    'step' => StepId::ofFitting($sheet->fitting->id, StepKind::Close),
                    'task' => Task::Close,
                    'words' => $panel ? 'Fix it in its panel' : 'Close the connector',
                    'pace' => Pace::Close,
                    'phase' => Phase::Close,
                    'detail' => $panel
                        ? implode(', ', $hardware)
                        : ($up === []
                            ? 'Sheath under the strain relief.'
                            : 'Bring up: '.implode(', ', array_map(lcfirst(...), array_reverse($up))).'.'),
                    'tool' => $panel && $hardware !== [] ? PanelHardware::TOOL : '',
                    'check' => 'The strain relief holds the sheath, not the cores.',
                    'like' => 'close|'.$sheet->type->id,
                    'skill' => $skill,
                    'why' => 'The connector may carry a pull; a joint may not.',
                ],
            ),
        );
        $this->draft->need($close, $before, 'Closed, it is not seen again.');
        $alike = new Alike();
        foreach ($legs as $i => $leg) {
            foreach ($leg->shrinks as $j => $slid) {
                $this->shrink(
                    $leg,
                    $base,
                    StepId::ofFitting($sheet->fitting->id, StepKind::ShrinkTail, $slid, 'shrink|'.$i.'.'.$j),
                    'Bring the shrink up and shrink it',
                    Phase::ShrinkTail,
                    [$close, $slid],
                    $skill,
                    'It grips the closed connector and the sheath.',
                );
            }
            foreach ($leg->late as $j => $slide) {
                $key = $alike->key(
                    implode(' ', [$slide->part->id, $leg->run->id, $leg->side->value, $leg->leg->leg->id]),
                );
                $this->late(
                    $slide,
                    $leg,
                    $base,
                    static fn (StepKind $kind, string $also): StepId => StepId::ofFitting(
                        $sheet->fitting->id,
                        $kind,
                        $key,
                        'late|'.$i.'.'.$j.$also,
                    ),
                    $inspect,
                    $close,
                    $skill,
                );
            }
        }

        return $close;
    }

    /**
     * What opens along its side, or clears the connector.
     *
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string, with: list<string>}  $base
     * @param  \Closure(StepKind, string): StepId  $step
     */
    private function late(
        SlideOn $slide,
        LegWork $leg,
        array $base,
        \Closure $step,
        string $inspect,
        string $close,
        ?Skill $skill,
    ): void {
        $shrinks = $slide->part->kind === PartKind::Shrink;
        $slid = $this->draft->add(
            new Operation(
                ...['leg' => $leg->leg->leg->id, 'place' => $leg->place] +
                    $base + [
                        'step' => $step(StepKind::BringUp, ''),
                        'task' => Task::Close,
                        'words' => ($shrinks ? 'Slide on ' : 'Fit ').LegSlides::name($slide),
                        'pace' => Pace::SlideOn,
                        'phase' => $shrinks ? Phase::SlideAfterClosing : Phase::FitBeforeClosing,
                        'detail' => $slide->note,
                        'part' => $slide->part->id,
                        'like' => 'late|'.$slide->part->id,
                        'why' => $slide->why,
                        'skill' => $skill,
                    ],
            ),
        );
        if (! $shrinks) {
            $this->draft->need($slid, $inspect, 'It hides the joints.');
            $this->draft->need($close, $slid, 'The connector closes on it.');

            return;
        }
        $this->draft->need($slid, $close, 'It grips the closed connector.');
        $this->shrink(
            $leg,
            $base,
            $step(StepKind::ShrinkBroughtUp, '|shrink'),
            'Shrink it',
            Phase::ShrinkTail,
            [$slid],
            $skill,
            'It seals the connector to the sheath.',
        );
    }

    /**
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string, with: list<string>}  $base
     * @param  list<string>  $after
     */
    private function shrink(
        LegWork $leg,
        array $base,
        StepId $step,
        string $words,
        Phase $phase,
        array $after,
        ?Skill $skill,
        string $why,
    ): string {
        $shrink = $this->draft->add(
            new Operation(
                ...['leg' => $leg->leg->leg->id, 'place' => $leg->place] +
                    $base + [
                        'step' => $step,
                        'task' => Task::Shrink,
                        'words' => $words,
                        'pace' => Pace::Shrink,
                        'phase' => $phase,
                        'tool' => 'heat gun',
                        'cautions' => Cautions::for(Task::Shrink),
                        'like' => 'shrink|'.$words,
                        'why' => $why,
                        'skill' => $skill,
                        'wait' => 30,
                        'check' => 'Tight all round; of a lined one, glue shows all round.',
                    ],
            ),
        );
        $this->draft->need($shrink, $after, $why);

        return $shrink;
    }

    private function ferrule(LegWork $leg): ?Part
    {
        foreach ($leg->leg->preparation->slides as $slide) {
            if ($slide->part->kind === PartKind::Ferrule) {
                return $slide->part;
            }
        }

        return null;
    }

    private function words(?Joining $joining, ?Part $ferrule, string $address): string
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

    private static function skill(?Joining $joining): Skill
    {
        return match ($joining) {
            Joining::SolderCup, Joining::SolderLug => Skill::Solder,
            Joining::DisplacementPlug, Joining::DisplacementSlot => Skill::Category,
            Joining::CoaxCrimp, Joining::CoaxClamp, null => Skill::Coax,
            Joining::Crimp, Joining::Screw => Skill::Crimp,
        };
    }

    private static function insertOf(string $address): string
    {
        $slash = strrpos($address, '/');

        return $slash === false ? '' : substr($address, 0, $slash);
    }
}
