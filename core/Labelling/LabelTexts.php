<?php

declare(strict_types=1);

namespace Sartal\Core\Labelling;

use Sartal\Core\Installation\Installation;
use Sartal\Core\Installation\Run;
use Sartal\Core\Installation\Side;

/** What is printed for a run: a label at each end, and one on every leg of an end that parts. */
final class LabelTexts
{
    /** @return list<Label> */
    public static function of(Run $run, Installation $installation): array
    {
        $labels = [];
        foreach (Side::cases() as $side) {
            $to = $installation->locationName($run->end($side->other())->location);
            $labels[] = new Label($side, '', $run->code, $side->value, $to);
            $legs = $run->end($side)->legs;
            if (count($legs) > 1) {
                foreach ($legs as $leg) {
                    $labels[] = new Label($side, $leg->id, $leg->label, $run->code.' '.$side->value, $to);
                }
            }
        }

        return $labels;
    }
}
