<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** A leg parts into several that land where it landed: one of its own for so many elements each. */
final readonly class PartLeg implements Gesture
{
    /** @param  int  $each  elements of one leg, in their order */
    public function __construct(private RunEnd $at, private string $leg, private int $each)
    {
    }

    public function draw(Sketch $on): void
    {
        $end = $on->end($this->at);
        $leg = Legs::one($end, $this->leg);
        $cable = $on->cable($this->at);
        $elements = $leg->elements === [''] ? Hands::parts('', $cable) : $leg->elements;
        if ($this->each < 1 || count($elements) <= $this->each) {
            throw CannotJoin::because('each', (string) $this->each, sprintf(
                'The leg has %d elements. Part it into fewer each, at least one.',
                count($elements),
            ));
        }
        $legs = [];
        foreach ($end->legs as $other) {
            if ($other !== $leg) {
                $legs[] = $other;
            }
        }
        $rest = $end->withLegs($legs);
        foreach (array_chunk($elements, $this->each) as $of) {
            $number = Hands::freeLeg($rest);
            $landing = $leg->landing === null ? null : new Landing(
                $leg->landing->fitting,
                $leg->landing->plan,
                array_filter(
                    $leg->landing->channels,
                    static fn (int|string $path): bool => ElementPath::meetsAny((string) $path, $of),
                    ARRAY_FILTER_USE_KEY,
                ),
            );
            $rest = $rest->withLegs([
                ...$rest->legs,
                $leg->named('leg-'.$number, $number)->holding($of, $landing)->reaching($leg->onEquipment, null),
            ]);
        }
        $on->put($this->at, $rest);
    }

    public function words(Installation $in): string
    {
        return sprintf('%s: a leg parted', $this->at->words($in));
    }
}
