<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** Two conductors between the same two connectors, which can change places at both ends in the same way. */
final readonly class BothEnds
{
    private function __construct(
        private Edge $near,
        private Edge $far,
        private ?string $twist,
        private Edge $otherNear,
        private Edge $otherFar,
        private ?string $otherTwist,
    ) {
    }

    /** @return iterable<self> */
    public static function in(Patch $patch): iterable
    {
        $through = [];
        foreach ($patch->conductors as $conductor) {
            $near = self::joint($patch->wiring, $conductor->from);
            $far = self::joint($patch->wiring, $conductor->to);
            if ($near !== null && $far !== null) {
                $through[] = [$near, $far, $conductor->twist];
            }
        }
        foreach ($through as $i => [$near, $far, $twist]) {
            foreach (array_slice($through, $i + 1) as [$otherNear, $otherFar, $otherTwist]) {
                if (
                    Node::fitting($near->to) === Node::fitting($otherNear->to) &&
                    Node::fitting($far->to) === Node::fitting($otherFar->to)
                ) {
                    yield new self($near, $far, $twist, $otherNear, $otherFar, $otherTwist);
                }
            }
        }
    }

    /** They are twisted with others than each other: exchanged, both pairs are split. */
    public function isOfTwoTwists(): bool
    {
        return $this->twist !== null && $this->otherTwist !== null && $this->twist !== $this->otherTwist;
    }

    /** They sit on contacts of their own at either end. */
    public function isApart(): bool
    {
        return $this->near->to !== $this->otherNear->to && $this->far->to !== $this->otherFar->to;
    }

    public function exchanged(FaultKind $kind): Fault
    {
        [$near, $far, $otherNear, $otherFar] = [$this->near, $this->far, $this->otherNear, $this->otherFar];

        return new Fault(
            $kind,
            [$near->to, $otherNear->to, $far->to, $otherFar->to],
            [$near->id, $otherNear->id, $far->id, $otherFar->id],
            new WiringEdit([
                $near->id => $near->movedTo($otherNear->to),
                $otherNear->id => $otherNear->movedTo($near->to),
                $far->id => $far->movedTo($otherFar->to),
                $otherFar->id => $otherFar->movedTo($far->to),
            ]),
        );
    }

    private static function joint(Wiring $wiring, string $node): ?Edge
    {
        foreach ($wiring->at($node) as $edge) {
            if ($edge->kind === EdgeKind::Joint) {
                return $edge;
            }
        }

        return null;
    }
}
