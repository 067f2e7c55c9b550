<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Work\Bench\Operation;

/**
 * How much of each kind of work there is: the times that it takes may change without it. Of jobs that are alike it is
 * one and the same, so that it is written down and read once.
 */
final readonly class Amounts
{
    use Lean;

    /** So many differ, and whatever else comes has its own. */
    private const MOST = 500;

    /** @param  array<int|string, float>  $of  timing → how much of it */
    private function __construct(public array $of)
    {
    }

    /** @param  list<Operation>  $operations */
    public static function in(array $operations): self
    {
        $amounts = [];
        foreach ($operations as $operation) {
            $timing = $operation->timing();
            $amounts[$timing] = ($amounts[$timing] ?? 0.0) + $operation->amount;
        }

        return self::one($amounts);
    }

    /** @param  array<int|string, float>  $amounts */
    private static function one(array $amounts): self
    {
        /** @var array<string, self> $known */
        static $known = [];
        $key = hash('xxh128', serialize($amounts));
        if (! isset($known[$key]) && count($known) >= self::MOST) {
            return new self($amounts);
        }

        return $known[$key] ??= new self($amounts);
    }
}
