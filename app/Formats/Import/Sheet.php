<?php

declare(strict_types=1);

namespace App\Formats\Import;

/** One table of a workbook. */
final readonly class Sheet
{
    /**
     * @param  list<string>  $header
     * @param  array<int, array<int|string, string>>  $rows  line → column → text
     */
    public function __construct(public string $name, public array $header, public array $rows)
    {
    }
}
