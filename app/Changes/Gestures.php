<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Http\Requests\Plan\Bridge;
use App\Http\Requests\Plan\GestureKind;
use App\Http\Requests\Plan\GestureMade;
use App\Http\Requests\Plan\OneCore;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Gestures\AsPlanned;
use Sartal\Core\Plan\Joining\Gestures\Boots;
use Sartal\Core\Plan\Joining\Gestures\EarthDrain;
use Sartal\Core\Plan\Joining\Gestures\Equip;
use Sartal\Core\Plan\Joining\Gestures\FitSwitch;
use Sartal\Core\Plan\Joining\Gestures\Free;
use Sartal\Core\Plan\Joining\Gestures\Gather;
use Sartal\Core\Plan\Joining\Gestures\JoinByHand;
use Sartal\Core\Plan\Joining\Gestures\Jump;
use Sartal\Core\Plan\Joining\Gestures\Land;
use Sartal\Core\Plan\Joining\Gestures\Leave;
use Sartal\Core\Plan\Joining\Gestures\PartLeg;
use Sartal\Core\Plan\Joining\Gestures\RemoveSwitch;
use Sartal\Core\Plan\Joining\Gestures\Shape;
use Sartal\Core\Plan\Joining\Gestures\Share;
use Sartal\Core\Plan\Joining\Gestures\Splice;
use Sartal\Core\Plan\Joining\Gestures\Unjump;
use Sartal\Core\Plan\Joining\Gestures\Unsplice;
use Sartal\Core\Plan\Joining\JoinLine;
use Sartal\Core\Plan\Joining\NewFitting;
use Sartal\Core\Plan\Joining\RunEnd;

/** A gesture as it was sent becomes one that can be drawn. */
final readonly class Gestures
{
    /**
     * @throws BadLine where a field cannot be read
     * @throws CannotJoin where a line of words cannot be
     */
    public static function of(GestureMade $sent, Installation $in): Gesture
    {
        $at = new RunEnd($sent->run, $sent->side);

        return match ($sent->kind) {
            GestureKind::Line => (new JoinLine($in, $sent->run === '' ? null : $at, $sent->fitting, $sent->plan))
                ->read($sent->line),
            GestureKind::Land => new Land(
                $at,
                $sent->elements,
                self::brought($sent, $in) ?? $sent->fitting,
                $sent->plan,
                $sent->channels,
                $sent->signal,
                self::length($sent),
            ),
            GestureKind::Free => new Free($at, $sent->elements),
            GestureKind::Leave => new Leave($at, $sent->elements, $sent->reason),
            GestureKind::Join => new JoinByHand($at, array_fill_keys($sent->elements, $sent->to), $sent->reason),
            GestureKind::EarthDrain => new EarthDrain($sent->run, $sent->reason),
            GestureKind::AsPlanned => new AsPlanned($at, $sent->elements),
            GestureKind::Jump => new Jump(
                array_map(static fn (Bridge $each): array => [$each->from, $each->to], $sent->bridges),
                $sent->reason === '' ? 'jumper' : $sent->reason,
                self::brought($sent, $in),
                $at,
            ),
            GestureKind::Unjump => new Unjump($sent->from, $sent->to),
            GestureKind::Splice => new Splice(
                array_map(
                    static fn (OneCore $each): array => [new RunEnd($each->run, $each->side), $each->conductor],
                    $sent->cores,
                ),
                $sent->to,
                $sent->reason === '' ? 'spliced' : $sent->reason,
            ),
            GestureKind::Unsplice => new Unsplice($sent->from),
            GestureKind::FitSwitch => new FitSwitch($sent->label, $sent->from, $sent->to, $sent->closed),
            GestureKind::RemoveSwitch => new RemoveSwitch($sent->from),
            GestureKind::Share, GestureKind::Unshare => new Share(
                $sent->fitting,
                $sent->contacts,
                $sent->kind === GestureKind::Share,
            ),
            GestureKind::Equip => new Equip(
                $sent->fitting,
                $sent->label === '' ? null : $sent->label,
                $sent->inserts,
            ),
            GestureKind::Boots => new Boots($sent->fittings, $sent->colour, $sent->each),
            GestureKind::Part => new PartLeg($at, $sent->legs[0] ?? '', $sent->each),
            GestureKind::Gather => new Gather($at, $sent->legs),
            GestureKind::Shape => new Shape(
                $at,
                $sent->legs,
                self::length($sent),
                $sent->label === '' ? null : $sent->label,
            ),
        };
    }

    private static function brought(GestureMade $sent, Installation $in): ?NewFitting
    {
        return $sent->into === null ? null : new NewFitting(
            $sent->into->connector !== '' ? $sent->into->connector : ($in->plan($sent->plan)->connector ?? ''),
            $sent->into->label,
            $sent->into->location,
            $sent->into->inserts,
        );
    }

    /** @throws BadLine */
    private static function length(GestureMade $sent): ?Length
    {
        if ($sent->length === '') {
            return null;
        }
        try {
            return Length::parse($sent->length, 'mm');
        } catch (InvalidMeasure) {
            throw BadLine::because(
                'length',
                $sent->length,
                'Write a length with its unit, such as 300 mm or 12 in.',
            );
        }
    }
}
