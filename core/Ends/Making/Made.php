<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;

/** A procedure that was run on a workpiece: what came of each step, what it lacked, and what is not as demanded. */
final readonly class Made
{
    private const OF_NO_PIECES = [
        Verb::Mark,
        Verb::Measure,
        Verb::Turn,
        Verb::CutOff,
        Verb::Slide,
        Verb::Seat,
        Verb::Mate,
        Verb::Fix,
        Verb::Shrink,
        Verb::Tie,
        Verb::Cool,
        Verb::LookOver,
        Verb::Tug,
        Verb::Close,
        Verb::Coil,
    ];

    /**
     * @param  list<StepMade>  $steps  those that this end has something for
     * @param  list<string>  $unmet  demands of the connector that the finished end does not meet, with figures
     */
    private function __construct(public Workpiece $result, public array $steps, public array $unmet)
    {
    }

    /** Steps that have nothing to act on here are left out. */
    public static function by(MakingProcedure $procedure, Workpiece $on, Station $station): self
    {
        $steps = [];
        foreach ($procedure->steps as $step) {
            $pieces = Picked::by($step->of, $on->end, $station);
            $doing = new Doing($step, $station, self::meant($step, $pieces, $station));
            $isMeant = $step->isFor($on->end->kinds()) && $step->under->holds($station->answers);
            if (! $isMeant || ! self::isCalledFor($doing)) {
                continue;
            }
            $act = Acts::of($step->verb);
            $needs = $act->needs($on, $doing);
            $before = $on;
            // What cannot be done is not done: what follows shows what it lacked by that.
            $on = $needs === [] ? $act->done($on, $doing) : $on;
            $steps[] = new StepMade($step, $doing, $before, $on, $needs);
        }
        $unmet = [];
        foreach ($procedure->demands as $demand) {
            array_push($unmet, ...Demanded::unmet($demand, $on, $station));
        }
        foreach ($station->terminals->all() as $terminal) {
            if (! isset($on->joined[$terminal])) {
                $unmet[] = sprintf('Terminal %s is not joined.', $terminal);
            }
        }

        return new self($on, $steps, $unmet);
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<Piece> of what is cut to the length of its leg, legs alone that are longer than that
     */
    private static function meant(MakingStep $step, array $pieces, Station $station): array
    {
        return $step->measure?->from !== MeasuredFrom::Leg
            ? $pieces
            : array_values(array_filter(
                $pieces,
                static fn (Piece $piece): bool => $station->isShorter($piece->element),
            ));
    }

    /** A step for something that this cable or connector has not got is none. */
    private static function isCalledFor(Doing $doing): bool
    {
        $step = $doing->step;
        $isOnPieces = ! in_array(
            $step->verb,
            self::OF_NO_PIECES,
            true,
        );
        $parts = $doing->station->parts;
        $isThere = match (true) {
            $step->verb === Verb::Slide => $parts->isSlid($step->part),
            // What eases the way of a part is there for that part.
            $step->part !== '' && in_array($step->verb, [Verb::Tape, Verb::CutOff], true) => $parts->isSlid(
                $step->part,
            ),
            in_array($step->verb, [Verb::Seat, Verb::Shrink, Verb::Tie], true) => $parts->has($step->part),
            $step->verb === Verb::Cool => $step->part === '' || $parts->has($step->part),
            $step->verb === Verb::Measure => $doing->station->onEquipment,
            $step->measure?->from === MeasuredFrom::Equipment => $doing->station->onEquipment,
            $step->verb === Verb::Turn => in_array($step->part, $parts->turns, true),
            $step->verb === Verb::Mate => $doing->station->far === FarEnd::Mates &&
                ($step->part === '' || $parts->has($step->part)),
            $step->verb === Verb::Coil => $doing->station->far->isFinished(),
            $step->verb === Verb::Insulate => self::isSleeved($doing),
            // One wire has nothing to be twisted.
            $step->verb === Verb::Twist => array_filter(
                $doing->pieces,
                static fn (Piece $piece): bool => ! $piece->solid,
            ) !== [],
            $step->verb === Verb::Fix => isset($parts->over[$step->part]),
            $step->verb === Verb::Crimp && $step->part === 'pin' => $doing->station->centre === Centre::Pin,
            default => true,
        };

        return $isThere && ($doing->pieces !== [] || ! $isOnPieces || $step->part !== '');
    }

    private static function isSleeved(Doing $doing): bool
    {
        return array_intersect($doing->keys(), $doing->station->terminals->sleeved) !== [];
    }

    /**
     * What is ticked as lying on the cable before anything is joined, in the order in which it went on: it cannot come
     * afterwards.
     *
     * @return list<StepMade>
     */
    public function gate(): array
    {
        $gate = [];
        foreach ($this->steps as $step) {
            if ($step->step->verb->isJoining()) {
                return $gate;
            }
            if ($step->step->verb === Verb::Slide && $step->doing->station->isOnlyByNow($step->step->part)) {
                $gate[] = $step;
            }
        }

        return $gate;
    }

    /** What of the cable is gone, from the end as it came to what stands out farthest of its conductors. */
    public function usedUp(): Length
    {
        $least = null;
        foreach ($this->result->end->pieces as $piece) {
            $isFarther = $least === null || $piece->edge->compare($least) < 0;
            $least = $piece->kind === PieceKind::Metal && $isFarther ? $piece->edge : $least;
        }

        return $least ?? $this->result->used();
    }

    /** No need fails, and the result meets all demands. */
    public function isRight(): bool
    {
        return $this->unmet === [] && $this->failed() === [];
    }

    /** @return list<StepMade> steps that could not be done */
    public function failed(): array
    {
        return array_values(array_filter($this->steps, static fn (StepMade $step): bool => $step->lacks !== []));
    }
}
