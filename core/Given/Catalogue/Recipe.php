<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

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
}
