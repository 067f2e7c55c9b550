<?php

declare(strict_types=1);

namespace App\Formats;

use RuntimeException;
use Sartal\Core\Plan\Joining\CannotJoin;

final class BadLine extends RuntimeException
{
    /** @param  non-empty-list<Slip>  $slips */
    public function __construct(public readonly array $slips)
    {
        parent::__construct($slips[0]->field.': '.$slips[0]->remedy);
    }

    /** Everything that stands in the way of a gesture or a pattern, each at its field. */
    public static function refusing(CannotJoin $cannot): self
    {
        return new self(array_map(
            static fn (CannotJoin $each): Slip => new Slip($each->field, $each->value, $each->getMessage()),
            [$cannot, ...$cannot->more],
        ));
    }

    public static function because(string $field, string $value, string $remedy): self
    {
        return new self([new Slip($field, $value, $remedy)]);
    }
}
