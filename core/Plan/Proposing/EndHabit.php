<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Given\Measure\Length;

/** Of an end that there is, what another end like it takes over. */
final readonly class EndHabit
{
    use Lean;

    /**
     * @param  string  $location  id
     * @param  ?string  $plan  contact plan that its first leg lands by; null: it is bare
     * @param  Length  $leg  how long its first leg is
     */
    private function __construct(
        public string $location,
        public ?string $plan,
        public Length $tail,
        public Length $slack,
        public Length $preparation,
        public int $spares,
        public Length $leg,
    ) {
    }

    public static function of(End $end): self
    {
        $first = $end->legs[0] ?? null;

        return new self(
            $end->location,
            $first?->landing?->plan,
            $end->tail,
            $end->slack,
            $end->preparation,
            $end->spares,
            $first->length ?? Length::zero(),
        );
    }

    /** The same for ends that are alike. */
    public function mark(): string
    {
        $lengths = [$this->tail, $this->slack, $this->preparation, $this->leg];

        return implode(' ', [
            $this->location,
            $this->plan ?? '',
            $this->spares,
            ...array_map(static fn (Length $length): int => $length->nanometres, $lengths),
        ]);
    }
}
