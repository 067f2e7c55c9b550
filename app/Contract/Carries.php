<?php

declare(strict_types=1);

namespace App\Contract;

use Attribute;

/** A controller's method whose request is a part of an installation's file as a whole, such as an event. */
#[Attribute(Attribute::TARGET_METHOD)]
final readonly class Carries
{
    /** @param  string  $of  its definition in `docs/schema/installation.schema.json` */
    public function __construct(public string $of)
    {
    }
}
