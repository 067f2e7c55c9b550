<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Ends\Opening\EndOpener;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;

/**
 * What making an end takes of its cable, by the procedures that make it: from where it was cut to where its conductors
 * end. Ends that are alike in all that this follows from are made once.
 */
final readonly class UsedUp
{
    /** @param  ?Length  $length  the most that a leg of it takes; null where no procedure makes it right */
    private function __construct(public ?Length $length)
    {
    }

    public static function at(Run $run, Side $side, Installation $installation): self
    {
        $cable = $installation->catalogue->cable($run->cable);

        // What was released before there were procedures is reckoned as it was.
        return $cable === null || $run->end($side)->legs === [] || $installation->catalogue->former->isAlone
            ? new self(null)
            : $installation->catalogue->kept->once(
                self::class,
                self::likeness($run, $side, $installation),
                static fn (): self => self::make($run, $side, $cable, $installation),
            );
    }

    private static function make(Run $run, Side $side, CableType $cable, Installation $installation): self
    {
        $joints = PinoutMaker::make($installation, $run, $side, $cable)->joints;
        $most = null;
        $fittings = (new EndMaker($installation))->of($run, $side, $cable, $joints);
        // What opening it takes is gone from each of its legs.
        $opened = (new EndOpener($installation))->of($run, $side, $cable, $fittings)?->made->made->result->used();
        foreach ($fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                $used = $leg->made?->made->isRight() === true ? $leg->made->made->usedUp() : null;
                $used = $used === null || $opened === null ? $used : $used->plus($opened);
                $most = $used !== null && ($most === null || $used->compare($most) > 0) ? $used : $most;
            }
        }

        return new self($most);
    }

    /** All that the length follows from, but for the catalogue. */
    private static function likeness(Run $run, Side $side, Installation $installation): string
    {
        $end = $run->end($side);
        $of = [$run->cable, $run->build->value, $side->value, $installation->rulesFor($run, $side)->answers()];
        foreach ($run->carries as $carriage) {
            $of[] = [$carriage->element, $installation->circuit($carriage->circuit)->signal ?? ''];
        }
        foreach ($end->legs as $leg) {
            $of[] = self::leg($leg, $installation);
        }
        $of[] = [$end->handJoints, array_keys($end->unused)];
        // Whether sleeving came over end A already follows from how that one is made.
        foreach ($side === Side::B && count($end->legs) > 1 ? $run->a->legs : [] as $leg) {
            $of[] = self::leg($leg, $installation);
        }

        return serialize($of);
    }

    /** @return list<mixed> */
    private static function leg(Leg $leg, Installation $installation): array
    {
        $landing = $leg->landing;
        $fitting = $installation->fitting($landing->fitting ?? '');

        return [
            $leg->elements,
            $leg->procedure,
            $leg->onEquipment ? [$leg->length, $leg->measured] : null,
            $landing?->plan,
            $landing?->channels,
            $fitting?->connector,
            $fitting?->inserts,
            $fitting?->exit,
            $fitting?->parts,
            $fitting?->shared,
        ];
    }
}
