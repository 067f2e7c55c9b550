<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/** Runs that are dressed together. Its shape follows from their ways; this is what was decided about it. */
final readonly class Loom
{
    /** A hand's width and a half: common practice. */
    public const USUAL_TIES = 300;

    /**
     * @param  string  $root  location that it is laid out from; "" where most of its members end
     * @param  Length  $tieEvery  at most from one tie to the next
     * @param  bool  $oneReel  members of one type are cut from one reel
     * @param  list<Breakout>  $breakouts  those that were moved
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $root,
        public Covering $covering,
        public Length $tieEvery,
        public bool $oneReel = false,
        public array $breakouts = [],
    ) {
    }

    public static function named(string $id, string $name): self
    {
        return new self($id, $name, '', Covering::Ties, Length::millimetres(self::USUAL_TIES));
    }

    public function moved(string $at, string $into): Length
    {
        foreach ($this->breakouts as $breakout) {
            if ($breakout->at === $at && $breakout->into === $into) {
                return $breakout->by;
            }
        }

        return Length::zero();
    }
}
