<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

/** What a change overtakes on one run, with the cheapest set of remedies. */
final readonly class RunImpact
{
    /**
     * @param  non-empty-list<Overtaken>  $overtaken
     * @param  Remedy  $remake  the whole cable once more: it always helps
     * @param  non-empty-list<Remedy>  $best  one for each, or the remake for all
     */
    public function __construct(
        public string $run,
        public string $code,
        public array $overtaken,
        public Remedy $remake,
        public array $best,
    ) {
    }

    /** @return list<string> "kind-side" of everything that is overtaken */
    public function keys(): array
    {
        return array_map(static fn (Overtaken $each): string => $each->key(), $this->overtaken);
    }
}
