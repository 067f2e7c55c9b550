<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\MatingMode;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Installation\Build;
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
        $tails = $run->b->legs;
        // A cable is made once its last leg is.
        $isLast = $tails !== [] && $tails[count($tails) - 1]->id === $leg->id;
        if ($side === Side::A || $run->build !== Build::Shop || ! $isLast) {
            return FarEnd::Taken;
        }
        $here = $this->installation->fitting($leg->landing->fitting ?? '');
        $type = $this->installation->catalogue->connector($here->connector ?? '');
        if ($type === null || $type->mount === Mount::Panel) {
            // What is fixed in a panel is neither plugged into its other half nor coiled.
            return FarEnd::Taken;
        }
        $other = self::only($run, $this->installation);
        if ($other === null || count($tails) > 1) {
            return $run->a->legs === [] ? FarEnd::Taken : FarEnd::Finished;
        }

        return self::mate($type, $other) ? FarEnd::Mates : FarEnd::Finished;
    }

    /** What is at end A, where that is one connector and no more. */
    public static function only(Run $run, Installation $installation): ?Fitting
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
