<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Work\Bench\Operation;

/** How much of each kind of work there is: the times that it takes may change without it. */
final class Amounts
{
    /**
     * @param  list<Operation>  $operations
     * @return array<int|string, float> timing → how much of it
     */
    public static function of(array $operations): array
    {
        $amounts = [];
        foreach ($operations as $operation) {
            $timing = $operation->timing();
            $amounts[$timing] = ($amounts[$timing] ?? 0.0) + $operation->amount;
        }

        return $amounts;
    }
}
