<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Installation\Installation;

/**
 * How a connector is loaded when somebody holds it upside down, reads its numbers from the other side, goes by the
 * other colour scheme, or lays colours in the order of the pins where the terminals have a print of their own.
 */
final readonly class Arrangements
{
    /** Share of the least distance between two contacts up to which a place is that of a contact. */
    private const NEAR = 0.35;

    public function __construct(private Installation $installation)
    {
    }

    /**
     * @param  list<Joint>  $joints  that land on it
     * @return list<Arrangement>
     */
    public function of(string $fitting, FittingLayout $layout, array $joints): array
    {
        if (count($joints) < 2) {
            return [];
        }
        $numbers = array_map(strval(...), array_keys($layout->cavities));
        $maps = [
            [FaultKind::UpsideDown, array_combine($numbers, array_reverse($numbers))],
            [FaultKind::UpsideDown, self::turned($layout, -1, -1)],
            [FaultKind::WrongSide, self::turned($layout, -1, 1)],
            [FaultKind::WrongSide, self::turned($layout, 1, -1)],
            [FaultKind::PinOrder, self::printed($layout)],
        ];
        $found = [];
        foreach ($maps as [$kind, $map]) {
            $found[] = new Arrangement($kind, self::moved($fitting, $joints, $map));
        }
        foreach ($this->otherSchemes($joints) as $plan) {
            $found[] = new Arrangement(FaultKind::OtherScheme, self::planned($fitting, $joints, $plan));
        }
        $apart = [];
        foreach ($found as $arrangement) {
            $to = $arrangement->to;
            ksort($to);
            if (count($to) > 1) {
                $apart[$arrangement->kind->value.serialize($to)] ??= $arrangement;
            }
        }

        return array_values($apart);
    }

    /**
     * Where each contact would be taken to be by somebody who sees the face mirrored.
     *
     * @param  -1|1  $across
     * @param  -1|1  $along
     * @return array<int|string, string> address → address; none where it does not look the same so
     */
    private static function turned(FittingLayout $layout, int $across, int $along): array
    {
        $at = [];
        foreach ($layout->cavities as $address => $cavity) {
            $at[$address] = [$cavity->face->x, $cavity->face->y];
        }
        if (count($at) < 2) {
            return [];
        }
        [$x, $y] = [array_column($at, 0), array_column($at, 1)];
        [$middle, $centre] = [(min($x) + max($x)) / 2, (min($y) + max($y)) / 2];
        $near = self::NEAR * self::closest(array_values($at));
        $map = [];
        foreach ($at as $address => [$left, $up]) {
            $mirrored = [$middle + $across * ($left - $middle), $centre + $along * ($up - $centre)];
            foreach ($at as $other => [$otherLeft, $otherUp]) {
                if (hypot($otherLeft - $mirrored[0], $otherUp - $mirrored[1]) <= $near) {
                    $map[$address] = (string) $other;
                    break;
                }
            }
        }

        return count($map) === count($at) ? $map : [];
    }

    /** @param  list<array{float, float}>  $at */
    private static function closest(array $at): float
    {
        $least = INF;
        foreach ($at as $i => [$x, $y]) {
            foreach (array_slice($at, $i + 1) as [$otherX, $otherY]) {
                $least = min($least, hypot($x - $otherX, $y - $otherY));
            }
        }

        return $least;
    }

    /** @return array<int|string, string> address → the one whose place in the print it has by its number */
    private static function printed(FittingLayout $layout): array
    {
        $print = $layout->types['']->cable->print;
        $numbers = array_map(strval(...), array_keys($layout->cavities));

        return $print === [] || count($print) !== count($numbers) ? [] : array_combine($numbers, $print);
    }

    /**
     * @param  list<Joint>  $joints
     * @param  array<int|string, string>  $map  address → address
     * @return array<int|string, string> joint id → terminal; none where one of them would have no place
     */
    private static function moved(string $fitting, array $joints, array $map): array
    {
        $to = [];
        foreach ($joints as $joint) {
            if (Node::isShell($joint->to)) {
                continue;
            }
            $address = $map[$joint->address()] ?? null;
            if ($address === null) {
                return [];
            }
            if ($address !== $joint->address()) {
                $to[$joint->id()] = Node::terminal($fitting, $address);
            }
        }

        return $to;
    }

    /**
     * @param  list<Joint>  $joints
     * @return array<int|string, string> joint id → terminal
     */
    private static function planned(string $fitting, array $joints, ContactPlan $plan): array
    {
        $to = [];
        foreach ($joints as $joint) {
            $address = $plan->address($joint->channel, $joint->function);
            if ($address !== null && $address !== $joint->address()) {
                $to[$joint->id()] = Node::terminal($fitting, $address);
            }
        }

        return $to;
    }

    /**
     * Plans that stand for the same under another scheme of colours.
     *
     * @param  list<Joint>  $joints
     * @return list<ContactPlan>
     */
    private function otherSchemes(array $joints): array
    {
        $plans = [];
        foreach ($joints as $joint) {
            foreach ($this->installation->run($joint->run)?->end($joint->side)->legs ?? [] as $leg) {
                $landing = $leg->id === $joint->leg ? $leg->landing : null;
                $plan = $landing === null ? null : $this->installation->plan($landing->plan);
                if ($plan !== null) {
                    $plans[$plan->id] = $plan;
                }
            }
        }
        $others = [];
        foreach ($this->installation->catalogue->plans() as $house) {
            if (array_intersect_key(array_flip($house->byScheme), $plans) === []) {
                continue;
            }
            foreach ($house->byScheme as $id) {
                $other = $this->installation->catalogue->contactPlan($id);
                if ($other !== null && ! isset($plans[$id])) {
                    $others[$id] = $other;
                }
            }
        }

        return array_values($others);
    }
}
