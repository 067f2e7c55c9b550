<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Preparing\SlideOver;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\ScreenTake;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\School;

/** What a leg is before anybody touches it, and what it stands before: by what its sheet is written from. */
final readonly class Stations
{
    /** The terminal that stands for all of a connector's body. */
    private const BODY = 'body';

    public CableEnd $end;

    /**
     * @param  list<Joint>  $joints  of the leg
     * @param  list<Block>  $blocks  of channels that are cut to one length each
     * @param  ?Leg  $leg  where it is measured on the equipment before it is cut
     */
    public function __construct(
        private LegFit $fit,
        private array $joints,
        private LegPreparation $preparation,
        private HouseRules $rules,
        private array $blocks = [],
        private ?Leg $leg = null,
    ) {
        $elements = $fit->elements === [''] ? [] : $fit->elements;
        $opened = $this->isMeasured() ? $leg->length ?? Length::zero() : Length::zero();
        // Ends of one cable begin alike.
        $this->end = $fit->cable->kept->once(
            CableEnd::class,
            implode("\n", [...$elements, (string) $opened->nanometres]),
            static fn (): CableEnd => $elements === []
                ? AsCut::of($fit->cable)
                : AsCut::of($fit->cable)->leg(...$elements)->leaving($opened),
        );
    }

    /** A leg that comes out of its sheath with others, and is cut to what is measured on the equipment. */
    private function isMeasured(): bool
    {
        return $this->leg?->onEquipment === true && ! in_array($this->fit->elements, [[], ['']], true);
    }

    /** What is left of the leg as it is planned, but for what the connector takes beyond it. */
    private function reach(MakingProcedure $procedure): Length
    {
        return ($this->leg->length ?? Length::zero())
            ->minus($procedure->beyondMeasured() ?? Length::zero())
            ->minus(Length::millimetres(1));
    }

    public function workpiece(): Workpiece
    {
        return new Workpiece($this->end);
    }

    /**
     * @param  list<string>  $protective  functions that are protective earth's
     */
    public function for(MakingProcedure $procedure, array $protective = [], FarEnd $far = FarEnd::Taken): Station
    {
        [$goes, $earths] = [[], []];
        foreach ($this->joints as $joint) {
            $piece = $this->conductor($joint->conductor);
            if ($piece === null) {
                continue;
            }
            $goes[$piece->key()] = $joint->address();
            array_push($earths, ...in_array($joint->function, $protective, true) ? [$piece->key()] : []);
        }
        $screens = [];
        foreach ($this->end->pieces as $key => $piece) {
            if ($piece->kind->isConductor() && $piece->kind !== PieceKind::Metal) {
                // A screen that is held all round, or at its contact, goes to no contact that has a number.
                if (! isset($goes[$key]) && $this->isHeldByTheBody()) {
                    $goes[$key] = self::BODY;
                }
                array_push($screens, ...isset($goes[$key]) ? [(string) $key] : []);
            }
        }
        $parts = $this->parts();
        $own = $this->ownCrimps($procedure);

        return new Station(
            new Terminals(
                goes: $goes,
                screens: array_values(array_diff($screens, $earths)),
                earths: $earths,
                row: $this->row(),
                covers: $this->covers(),
                order: $this->order(),
                reaches: $this->reaches($procedure, $protective),
                takes: $this->takes(),
                throughLugs: $procedure->throughLugs,
                sleeved: $this->bareEarths($earths),
            ),
            new PartsThere(
                arrive: array_map(static fn (SlideOn $slide): Arrival => self::arrival($slide), $parts),
                over: $procedure->closing($goes, $screens),
                crimps: array_intersect_key($procedure->crimps, $parts) + $own,
                shrinks: array_values(array_filter(
                    array_map(strval(...), array_keys($parts)),
                    static fn (string $name): bool => $parts[$name]->part->kind === PartKind::Shrink,
                )),
                atOnce: array_map(strval(...), array_keys($own)),
            ),
            $procedure->centre,
            far: $far,
            answers: $this->answers($procedure),
            onEquipment: $this->isMeasured(),
            measured: $this->isMeasured() ? $this->leg?->measured : null,
            planned: $this->isMeasured() ? $this->reach($procedure) : null,
        );
    }

    /**
     * A drain that is earth passes the live terminals, and has nothing round it.
     *
     * @param  list<string>  $earths  keys of what is protective earth's
     * @return list<string>
     */
    private function bareEarths(array $earths): array
    {
        return array_values(array_filter(
            $earths,
            fn (string $key): bool => ($this->end->pieces[$key] ?? null)?->kind === PieceKind::Drain,
        ));
    }

    /** @return list<string> terminals in the order of work, as the house has it and as they are got at */
    private function order(): array
    {
        $order = [];
        foreach ($this->preparation->cores as $core) {
            $order[$core->joint->address()] = true;
        }

        return array_map(strval(...), array_keys($order));
    }

    /** @return array<class-string<School>, School> to what the procedure asks, and to nothing else */
    private function answers(MakingProcedure $procedure): array
    {
        $answers = [];
        foreach ($procedure->asks() as $question) {
            $answers[$question] = $this->rules->on($question);
        }

        return $answers;
    }

    private function isHeldByTheBody(): bool
    {
        return match ($this->fit->connector->cable->screen) {
            ScreenTake::AllRound => true,
            ScreenTake::Contact => $this->row() !== [],
            ScreenTake::Nowhere => false,
        };
    }

    /**
     * Of all that a making follows from: ends that have the same are made alike, whatever run they are of.
     * The procedure goes in by its name: who keeps makings keeps them of one catalogue.
     *
     * @param  list<string>  $protective
     */
    public function signature(
        MakingProcedure $procedure,
        array $protective = [],
        FarEnd $far = FarEnd::Taken,
    ): string {
        $parts = [
            // One that is no type is told by what it says.
            $procedure->id === '' ? $procedure->edition() : $procedure->id,
            $this->fit->cable->id,
            implode(',', $this->fit->elements),
            $this->fit->connector->id,
            $far->value,
            $this->isMeasured()
                ? $this->leg?->length->canonical().'<'.($this->leg->measured?->canonical() ?? '?')
                : '',
            implode(',', $protective),
        ];
        foreach ($this->joints as $joint) {
            $parts[] = $joint->conductor.'>'.$joint->address().'='.$joint->function;
        }
        foreach ($this->reaches($procedure, $protective) as $terminal => $length) {
            $parts[] = $terminal.':'.$length->nanometres;
        }
        foreach ($this->parts() as $name => $slide) {
            $parts[] = $name.'@'.self::arrival($slide)->value.$slide->part->kind->value;
        }
        foreach ($this->ownCrimps($procedure) as $name => $crimps) {
            $parts[] = $name.'x'.$crimps;
        }
        $parts[] = implode(',', $this->order());
        foreach ($this->answers($procedure) as $question => $answer) {
            $parts[] = $question.'?'.$answer->value;
        }

        return hash('xxh128', implode("\n", $parts));
    }

    private function conductor(string $path): ?Piece
    {
        return $this->end->piece(PieceKind::Metal, $path) ??
            ($this->end->piece(PieceKind::Drain, $path) ?? $this->end->piece(PieceKind::Braid, $path));
    }

    /** @return array<int|string, SlideOn> by what procedures call them */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->preparation->slides as $slide) {
            $parts[self::name($slide)] = $slide;
        }

        return $parts;
    }

    /**
     * How many crimps ferrules want of which the procedure does not say it itself, but has them crimped.
     *
     * @return array<int|string, int>
     */
    private function ownCrimps(MakingProcedure $procedure): array
    {
        $crimps = [];
        foreach ($this->parts() as $name => $slide) {
            $isMeant = $slide->part->kind === PartKind::Ferrule && ! isset($procedure->crimps[$name]);
            if ($isMeant && $slide->part->crimps > 0 && $procedure->crimping((string) $name)) {
                $crimps[$name] = $slide->part->crimps;
            }
        }

        return $crimps;
    }

    /** What procedures call it. */
    public static function name(SlideOn $slide): string
    {
        return ($slide->over === SlideOver::Leg ? '' : 'joint-').$slide->part->kind->value;
    }

    private static function arrival(SlideOn $slide): Arrival
    {
        return match (true) {
            $slide->before => Arrival::Slid,
            $slide->part->split => Arrival::Side,
            default => Arrival::Front,
        };
    }

    /** @return array<int|string, list<string>> what lies under the lugs is not got at once they are joined */
    private function covers(): array
    {
        $bodies = $others = [];
        foreach ($this->joints as $joint) {
            $kind = $this->fit->layout->cavities[$joint->address()]->kind ?? '';
            if ($kind === self::BODY) {
                $bodies[] = $joint->address();
            } else {
                $others[] = $joint->address();
            }
        }

        return $bodies === [] ? [] : array_fill_keys($others, array_values(array_unique($bodies)));
    }

    /** @return list<string> elements side by side, where the connector takes all at once */
    private function row(): array
    {
        $row = [];
        foreach ($this->joints as $joint) {
            $joining = $this->fit->layout->terminal($joint->address())?->joining;
            $isCore = $this->conductor($joint->conductor)?->kind === PieceKind::Metal;
            if ($joining === Joining::DisplacementPlug && $isCore) {
                $row[$joint->address()] = $joint->conductor;
            }
        }
        uksort($row, static fn (int|string $a, int|string $b): int => strnatcmp((string) $a, (string) $b));

        return array_values($row);
    }

    /**
     * @param  list<string>  $protective  functions that are protective earth's
     * @return array<int|string, Length>
     */
    private function reaches(MakingProcedure $procedure, array $protective): array
    {
        $reaches = $blocks = [];
        foreach ($this->blocks as $block) {
            // To the millimetre, as it is marked; too long is trimmed, too short is lost.
            $length = $block->length->result->roundedUpTo(Length::millimetres(1));
            $blocks += array_fill_keys($block->channels, $length);
        }
        foreach ($this->preparation->cores as $core) {
            $length = $blocks[$core->joint->channel] ??
                ($core->reach->result ?? $this->said($procedure, $core->joint, $protective));
            $known = $reaches[$core->joint->address()] ?? $length;
            if ($length !== null && $known !== null) {
                $reaches[$core->joint->address()] = $length->compare($known) > 0 ? $length : $known;
            }
        }

        return $reaches;
    }

    /** @param  list<string>  $protective */
    private function said(MakingProcedure $procedure, Joint $joint, array $protective): ?Length
    {
        $joins = match (true) {
            in_array($joint->function, $protective, true) => Onto::Earth,
            $this->conductor($joint->conductor)?->kind === PieceKind::Metal => Onto::Core,
            default => Onto::Screen,
        };

        return $procedure->reach($this->fit->prepares(), $joint->function, $joins)?->length;
    }

    /** @return array<int|string, int> terminals of which it is stated */
    private function takes(): array
    {
        $takes = [];
        foreach ($this->joints as $joint) {
            $stated = $this->fit->layout->cavities[$joint->address()]->wires ?? null;
            $takes += $stated === null ? [] : [$joint->address() => $stated];
        }

        return $takes;
    }
}
