<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** What is printed for a run: a label at each end, and one on every leg of an end that parts. */
final class LabelTexts
{
    /** @return list<Label> */
    public static function write(Run $run, Installation $installation): array
    {
        $scheme = $installation->rules()->labels;
        $labels = [];
        foreach (Side::cases() as $side) {
            $end = $run->end($side);
            $to = $installation->locationName($run->end($side->other())->location);
            $known = [
                'run' => $run->code,
                'end' => $side->value,
                'loom' => $installation->loom($run->loom ?? '')->name ?? '',
                'here' => $installation->locationName($end->location),
                'far' => $to,
                'leg' => '',
                'channel' => '',
            ];
            $labels[] = new Label(
                $side,
                '',
                LabelScheme::filled($scheme->end, $known),
                $side->value,
                $to,
                LabelScheme::filled($scheme->endLine, $known),
            );
            foreach (count($end->legs) > 1 ? $end->legs : [] as $leg) {
                $own = ['leg' => $leg->label, 'channel' => self::channel($leg)] + $known;
                $labels[] = new Label(
                    $side,
                    $leg->id,
                    LabelScheme::filled($scheme->leg, $own),
                    $run->code.' '.$side->value,
                    $to,
                    LabelScheme::filled($scheme->legLine, $own),
                );
            }
        }

        return $labels;
    }

    private static function channel(Leg $leg): string
    {
        $channels = array_values(array_unique($leg->landing->channels ?? []));

        return count($channels) > 1 ? $channels[0].' to '.$channels[count($channels) - 1] : $channels[0] ?? '';
    }
}
