<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Skill;

/** Operations that one person does in one go: skill, and a tool of which there are few, stay the same. */
final readonly class Stretch
{
    use Lean;

    /**
     * @param  list<string>  $tools  of which there are few
     * @param  float  $wait  min that what comes after it has to wait
     */
    private function __construct(
        public string $id,
        public string $words,
        public ?Skill $skill,
        public array $tools,
        public Amounts $amounts,
        public float $wait,
    ) {
    }

    /**
     * @param  list<Operation>  $operations  in the order of work
     * @param  list<string>  $short  tools of which there are few
     * @return list<self>
     */
    public static function among(array $operations, array $short): array
    {
        $stretches = $held = [];
        foreach ($operations as $operation) {
            if ($held !== [] && ! self::goesOn($held[0], $operation, $short)) {
                $stretches[] = self::from($held, $short);
                $held = [];
            }
            $held[] = $operation;
        }

        return $held === [] ? $stretches : [...$stretches, self::from($held, $short)];
    }

    /** @param  list<string>  $short */
    private static function goesOn(Operation $first, Operation $next, array $short): bool
    {
        return $first->skill === $next->skill &&
            in_array($first->tool, $short, true) === in_array($next->tool, $short, true) &&
            (! in_array($next->tool, $short, true) || $first->tool === $next->tool);
    }

    /**
     * @param  non-empty-list<Operation>  $held
     * @param  list<string>  $short
     */
    private static function from(array $held, array $short): self
    {
        $tools = array_unique(array_map(static fn (Operation $operation): string => $operation->tool, $held));

        return new self(
            $held[0]->id,
            $held[0]->words,
            $held[0]->skill,
            array_values(array_intersect($tools, $short)),
            Amounts::in($held),
            $held[count($held) - 1]->wait / 60,
        );
    }
}
