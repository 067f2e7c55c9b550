<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** A piece of cable with two ends in two locations, following ways. */
final readonly class Run
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $id  stays when the code changes
     * @param  string  $cable  cable type id
     * @param  list<string>  $ways
     * @param  list<Carriage>  $carries
     * @param  ?Length  $length  of a loose lead, from connector to connector; null: nobody said, or it is none
     * @param  ?string  $sleeve  over all of a cable by itself: part id; "" the one that goes round it; null: none
     * @param  bool  $withdrawn  work had begun when it was taken out: it stays on record
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $cable,
        public Build $build,
        public End $a,
        public End $b,
        public array $ways,
        public array $carries,
        public ?string $loom = null,
        public string $note = '',
        public bool $withdrawn = false,
        public ?Length $length = null,
        public ?string $sleeve = null,
    ) {
    }

    public function end(Side $side): End
    {
        return $side === Side::A ? $this->a : $this->b;
    }

    public function withEnd(Side $side, End $end): self
    {
        return $this->copy([$side === Side::A ? 'a' : 'b' => $end]);
    }

    /** @param  list<Carriage>  $carries */
    public function carrying(array $carries): self
    {
        return $this->copy(['carries' => $carries]);
    }

    /** Work on it had begun, so it is not taken out but withdrawn. */
    public function withdraw(): self
    {
        return $this->copy(['withdrawn' => true]);
    }

    /** With another's code, place, ways, loom and note; its cable, what is joined in it and what it carries stay. */
    public function goingAs(self $other, End $a, End $b): self
    {
        return $this->copy([
            'code' => $other->code,
            'build' => $other->build,
            'a' => $a,
            'b' => $b,
            'ways' => $other->ways,
            'loom' => $other->loom,
            'note' => $other->note,
            'length' => $other->length,
            'sleeve' => $other->sleeve,
        ]);
    }

    /** Whether it lies in no building: there is no way, nothing to pull and no place to fix it. */
    public function isLoose(): bool
    {
        return $this->build === Build::Lead;
    }

    /** Whether an end of it is left until its connector is decided. */
    public function isForLater(): bool
    {
        return $this->a->bare?->isUndecided() === true || $this->b->bare?->isUndecided() === true;
    }

    /** Whether all of it that goes into a loom, and into a panel, is as another's. */
    public function dressesAs(self $other): bool
    {
        return $this->dressed() === $other->dressed();
    }

    /** @return list<mixed> */
    private function dressed(): array
    {
        $landings = array_map(
            static fn (Leg $leg): ?string => $leg->landing?->fitting,
            [...$this->a->legs, ...$this->b->legs],
        );

        return [$this->cable, $this->build, $this->loom, $this->withdrawn, $this->sleeve, $landings];
    }

    /** @return list<string> ids of the fittings that its legs land in */
    public function fittings(): array
    {
        $ids = [];
        foreach ([$this->a, $this->b] as $end) {
            foreach ($end->legs as $leg) {
                if ($leg->landing !== null) {
                    $ids[$leg->landing->fitting] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }
}
