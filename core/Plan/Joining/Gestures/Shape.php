<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** Legs get another length, each by itself; one gets another name. */
final readonly class Shape implements Gesture
{
    /**
     * @param  list<string>  $legs  ids
     * @param  ?Length  $length  from the end of the sheath; null: as they are
     * @param  ?string  $label  null: as it is
     */
    public function __construct(
        private RunEnd $at,
        private array $legs,
        private ?Length $length = null,
        private ?string $label = null,
    ) {
    }

    public function draw(Sketch $on): void
    {
        $end = $on->end($this->at);
        $chosen = array_map(
            static fn (string $id): Leg => Legs::one($end, $id),
            array_values(array_unique($this->legs)),
        );
        if ($chosen === []) {
            throw CannotJoin::because('legs', '', 'Choose a leg at least.');
        }
        if ($this->length?->isNegative() === true) {
            throw CannotJoin::because('length', $this->length->canonical(), 'Write a length of nothing or more.');
        }
        $this->named($end->legs, $chosen);
        $legs = [];
        foreach ($end->legs as $leg) {
            if (in_array($leg, $chosen, true)) {
                $leg = $this->length === null ? $leg : $leg->withLength($this->length);
                $leg = $this->label === null ? $leg : $leg->named($leg->id, trim($this->label));
            }
            $legs[] = $leg;
        }
        $on->put($this->at, $end->withLegs($legs));
    }

    /**
     * @param  list<Leg>  $all
     * @param  list<Leg>  $chosen
     *
     * @throws CannotJoin
     */
    private function named(array $all, array $chosen): void
    {
        if ($this->label === null) {
            return;
        }
        if (trim($this->label) === '' || count($chosen) > 1) {
            throw CannotJoin::because('label', $this->label, 'Write a name, for one leg at a time.');
        }
        foreach ($all as $leg) {
            if ($leg !== $chosen[0] && $leg->label === trim($this->label)) {
                throw CannotJoin::because(
                    'label',
                    $this->label,
                    'Another leg of this end is called so. Choose another.',
                );
            }
        }
    }

    public function words(Installation $in): string
    {
        return sprintf(
            '%s: %s',
            $this->at->words($in),
            $this->length === null ? 'leg named '.$this->label : sprintf(
                '%d %s of %s',
                count($this->legs),
                count($this->legs) === 1 ? 'leg' : 'legs',
                $this->length->canonical(),
            ),
        );
    }
}
