<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

use Sartal\Core\Work\Bench\Skill;

/** Somebody of the crew, as far as a forecast has to know them. */
final readonly class Hand
{
    /** @param  list<Skill>  $skills */
    public function __construct(public string $id, public array $skills)
    {
    }

    public function can(Chore $chore): bool
    {
        return ($chore->skill === null || in_array($chore->skill, $this->skills, true)) &&
            ($chore->only === [] || in_array($this->id, $chore->only, true));
    }
}
