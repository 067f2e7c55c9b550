<?php

declare(strict_types=1);

namespace App\Contract;

use Attribute;

/**
 * A field that holds a part of an installation's file. The decoder of files
 * reads it; here it is whatever JSON has for tables.
 */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Document
{
    /**
     * @param  string  $of  its definition in `docs/schema/installation.schema.json`; "": which one, the address says
     */
    public function __construct(public string $of = '', public string $remedy = '')
    {
    }
}
