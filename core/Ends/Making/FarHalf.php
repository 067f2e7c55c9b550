<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\MatingMode;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/**
 * How a cable's other end stands while one is made: A is made first, so at B it is finished, where both are made at the
 * bench. What is made in place is somewhere else by then. Source: common practice.
 */
final readonly class FarHalf
{
    public function __construct(private Installation $installation)
    {
    }

    public function of(Run $run, Side $side, Leg $leg): FarEnd
    {
        // A cable is made once its last leg is.
        if ($side === Side::A || ! $run->build->isAtTheBench() || $this->last($run)?->id !== $leg->id) {
            return FarEnd::Taken;
        }
        $type = $this->type($leg);
        if ($type === null || $type->mount === Mount::Panel) {
            // What is fixed in a panel is neither plugged into its other half nor coiled.
            return FarEnd::Taken;
        }
        $other = self::only($run, $this->installation);
        if ($other === null || count($run->b->legs) > 1) {
            return $run->a->legs === [] ? FarEnd::Taken : FarEnd::Finished;
        }

        return self::mate($type, $other) ? FarEnd::Mates : FarEnd::Finished;
    }

    /** The leg of end B that is made last: what carries mains, where one does. */
    private function last(Run $run): ?Leg
    {
        $last = null;
        $isMains = false;
        foreach ($run->b->legs as $leg) {
            $carries = $this->type($leg)?->domain === HazardDomain::Mains;
            $last = $carries || ! $isMains ? $leg : $last;
            $isMains = $isMains || $carries;
        }

        return $last;
    }

    private function type(Leg $leg): ?ConnectorType
    {
        $fitting = $this->installation->fitting($leg->landing->fitting ?? '');

        return $this->installation->catalogue->connector($fitting->connector ?? '');
    }

    /** What is at end A, where that is one connector and no more. */
    private static function only(Run $run, Installation $installation): ?Fitting
    {
        return count($run->a->legs) === 1
            ? $installation->fitting($run->a->legs[0]->landing->fitting ?? '')
            : null;
    }

    private static function mate(ConnectorType $type, Fitting $other): bool
    {
        $meets = static fn (MatingMode $mode): bool => $mode->with === $other->connector;

        return array_filter($type->mates, $meets) !== [];
    }
}
