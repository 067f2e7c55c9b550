<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** One mark of a recipe: what is done to which layer, back to how far from the cut end. */
final readonly class RecipeStep
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  Length  $at  from the cut end
     * @param  string  $does  "remove", "fold back", "twist", …
     * @param  string  $keep  what must stay whole
     */
    public function __construct(
        public Layer $layer,
        public Length $at,
        public string $does,
        public string $keep = '',
        public string $tool = '',
        public string $check = '',
    ) {
    }

    public function furtherBy(Length $more): self
    {
        return $this->copy(['at' => $this->at->plus($more)]);
    }
}
