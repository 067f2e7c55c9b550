<?php

declare(strict_types=1);

namespace App\Formats;

use RuntimeException;

final class BadLine extends RuntimeException
{
    /** @param  non-empty-list<Slip>  $slips */
    public function __construct(public readonly array $slips)
    {
        parent::__construct($slips[0]->field.': '.$slips[0]->remedy);
    }

    public static function because(string $field, string $value, string $remedy): self
    {
        return new self([new Slip($field, $value, $remedy)]);
    }
}
