<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\Part;

/** How one leg is made ready for its connector. */
final readonly class LegPreparation
{
    /**
     * @param  string  $connector  id of the type that it goes into
     * @param  string  $prepares  how such a cable is prepared
     * @param  list<CoreCut>  $cores  in the order of work
     * @param  list<SlideOn>  $slides  first on first
     * @param  list<Part>  $contacts  loose contacts, by what they are crimped on
     * @param  array<int|string, int>  $contactCounts  part id → how many of it
     * @param  list<string>  $tools
     * @param  list<string>  $cautions
     */
    public function __construct(
        public string $connector,
        public string $prepares,
        public array $cores,
        public array $slides,
        public array $contacts,
        public array $contactCounts,
        public array $tools,
        public array $cautions,
    ) {
    }

    public function with(SlideOn $part): self
    {
        return new self(
            $this->connector,
            $this->prepares,
            $this->cores,
            [...$this->slides, $part],
            $this->contacts,
            $this->contactCounts,
            $this->tools,
            $this->cautions,
        );
    }
}
