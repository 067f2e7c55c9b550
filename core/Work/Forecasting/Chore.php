<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

use Sartal\Core\Work\Bench\Skill;

/** Work that one person does in one go. */
final readonly class Chore
{
    /**
     * @param  ?Skill  $skill  null: everybody can
     * @param  list<string>  $tools  of which there are few
     * @param  list<string>  $after  ids of what must be done before
     * @param  float  $wait  min that what comes after it has to wait
     * @param  list<string>  $only  people whom it was given to; empty: anybody who can
     */
    public function __construct(
        public string $id,
        public float $minutes,
        public ?Skill $skill = null,
        public array $tools = [],
        public array $after = [],
        public float $wait = 0.0,
        public array $only = [],
        public string $job = '',
        public string $words = '',
    ) {
    }
}
