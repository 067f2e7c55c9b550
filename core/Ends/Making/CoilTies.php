<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\Gender;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\CoilTie;

/** The tie that a cable keeps: at its female end where one of its two is, else at B. Source: common practice. */
final readonly class CoilTies
{
    public function __construct(private Installation $installation)
    {
    }

    /** Null where the house wants none, or this is not the end that it stays at. */
    public function of(Run $run, Side $side, Leg $leg, LegFit $fit): ?SlideOn
    {
        $isWanted = $this->installation->rulesFor($run)->on(CoilTie::class) === CoilTie::One;
        if (! $isWanted || ! $run->build->isAtTheBench() || count($run->end($side)->legs) !== 1) {
            return null;
        }
        $procedure = $this->installation->catalogue->procedureFor($fit->connector, $fit->prepares(), $leg->procedure);
        $part = $this->part($fit->cable->outerDiameter);

        return $part === null || $procedure?->ties('tie') !== true || $this->side($run) !== $side
            ? null
            : new SlideOn($part, false, 'round the cable, and it stays there', 1, 'It opens and closes again.');
    }

    /** @return ?Side null where neither end of it is in the open */
    private function side(Run $run): ?Side
    {
        $open = $female = [];
        foreach (Side::cases() as $side) {
            $legs = $run->end($side)->legs;
            $fitting = $this->installation->fitting($legs[0]->landing->fitting ?? '');
            $type = $this->installation->catalogue->connector($fitting->connector ?? '');
            if ($type === null || count($legs) !== 1 || $type->mount === Mount::Panel) {
                continue;
            }
            $open[] = $side;
            array_push($female, ...$type->gender === Gender::Female ? [$side] : []);
        }

        return count($female) === 1 ? $female[0] : $open[count($open) - 1] ?? null;
    }

    /** The smallest that goes round it with room to spare. */
    private function part(Length $diameter): ?Part
    {
        $best = null;
        foreach ($this->installation->catalogue->parts() as $part) {
            $isOne = $part->kind === PartKind::Tie && $part->reopens && $part->grips?->takes($diameter) === true;
            $isSmaller = $best?->grips === null || $part->grips?->most->compare($best->grips->most) === -1;
            if ($isOne && $isSmaller) {
                $best = $part;
            }
        }

        return $best;
    }
}
