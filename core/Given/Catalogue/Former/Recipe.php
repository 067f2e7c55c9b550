<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** How one kind of cable is prepared for one kind of connector: marks in the order of work. */
final readonly class Recipe
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  list<RecipeStep>  $steps
     * @param  array<int|string, Length>  $cores  function → length of its core from the end of the sheath, where it
     *     differs from the rest
     * @param  Length  $earthLonger  how much longer the protective earth stays than the others
     * @param  Length  $discard  cut off and thrown away before the first mark
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $steps,
        public array $cores,
        public Length $earthLonger,
        public Length $discard,
        public string $source = '',
    ) {
    }

    /** The same for cores that are longer than it foresees: what lies around them comes off further back. */
    public function lengthenedBy(Length $more): self
    {
        $steps = array_map(
            static fn (RecipeStep $step): RecipeStep => $step->layer->isAroundTheCores()
                ? $step->furtherBy($more)
                : $step,
            $this->steps,
        );

        return $this->copy(['steps' => $steps]);
    }

    /** How far back a layer is worked on; null where the recipe leaves it alone. */
    public function mark(Layer $layer): ?Length
    {
        foreach ($this->steps as $step) {
            if ($step->layer === $layer) {
                return $step->at;
            }
        }

        return null;
    }

    /** Of all that it says, to tell it from another edition of the same name. */
    public function print(): string
    {
        $steps = array_map(
            static fn (RecipeStep $step): array => [
                $step->layer->value,
                $step->at->nanometres,
                $step->does,
                $step->keep,
                $step->tool,
                $step->check,
            ],
            $this->steps,
        );
        $cores = array_map(static fn (Length $length): int => $length->nanometres, $this->cores);

        return hash('xxh64', (string) json_encode([
            $this->name,
            $steps,
            $cores,
            $this->earthLonger->nanometres,
            $this->discard->nanometres,
            $this->source,
        ]));
    }
}
