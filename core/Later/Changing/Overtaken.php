<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Worked;

/** Work that was done and no longer fits, and what can be done about it. */
final readonly class Overtaken
{
    /**
     * @param  string  $words  what no longer fits: "Cut at 12400 mm, needs 14460 mm"
     * @param  list<string>  $details  contact by contact, step by step
     * @param  ?Worked  $missing  of a cut: how much it lacks; below nothing: how much it is too long
     * @param  list<Remedy>  $remedies  cheapest first; empty where only the whole cable helps
     * @param  list<string>  $ruledOut  what does not help, and why
     * @param  ?Remedy  $best  of them in the cheapest set of all runs together, where that is not the first
     * @param  bool  $isOpen  whether another run's piece may help besides, and nobody has looked for one
     */
    public function __construct(
        public OvertakenKind $kind,
        public ?Side $side,
        public string $words,
        public array $details = [],
        public ?Worked $missing = null,
        public array $remedies = [],
        public array $ruledOut = [],
        public ?Remedy $best = null,
        public bool $isOpen = false,
    ) {
    }

    /** Null where only the whole cable helps. */
    public function best(): ?Remedy
    {
        return $this->best ?? ($this->remedies[0] ?? null);
    }

    public function key(): string
    {
        return $this->kind->value.($this->side === null ? '' : '-'.$this->side->value);
    }
}
