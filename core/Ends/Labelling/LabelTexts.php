<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Installation\End;
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
            $known = self::known($run, $side, $installation);
            $to = $installation->locationName($run->end($side->other())->location);
            $labels[] = new Label(
                $side,
                '',
                LabelScheme::filled($scheme->end, $known),
                $side->value,
                $to,
                LabelScheme::filled($scheme->endLine, $known),
            );
            foreach (self::legs($end) as $leg) {
                $own = self::own($leg) + $known;
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

    /** @return list<string> what its labels are known by, in the same order: all that whoever compares them reads */
    public static function codes(Run $run, Installation $installation): array
    {
        $scheme = $installation->rules()->labels;
        $codes = [];
        foreach (Side::cases() as $side) {
            $known = self::known($run, $side, $installation);
            $codes[] = LabelScheme::filled($scheme->end, $known);
            foreach (self::legs($run->end($side)) as $leg) {
                $codes[] = LabelScheme::filled($scheme->leg, self::own($leg) + $known);
            }
        }

        return $codes;
    }

    /** @return array<'run'|'end'|'loom'|'here'|'far'|'leg'|'channel', string> what a scheme may name */
    private static function known(Run $run, Side $side, Installation $installation): array
    {
        return [
            'run' => $run->code,
            'end' => $side->value,
            'loom' => $installation->loom($run->loom ?? '')->name ?? '',
            'here' => $installation->locationName($run->end($side)->location),
            'far' => $installation->locationName($run->end($side->other())->location),
            'leg' => '',
            'channel' => '',
        ];
    }

    /** @return list<Leg> those that have a label of their own */
    private static function legs(End $end): array
    {
        return count($end->legs) > 1 ? $end->legs : [];
    }

    /** @return array{leg: string, channel: string} */
    private static function own(Leg $leg): array
    {
        return ['leg' => $leg->label, 'channel' => self::channel($leg)];
    }

    private static function channel(Leg $leg): string
    {
        $channels = array_values(array_unique($leg->landing->channels ?? []));

        return count($channels) > 1 ? $channels[0].' to '.$channels[count($channels) - 1] : $channels[0] ?? '';
    }
}
