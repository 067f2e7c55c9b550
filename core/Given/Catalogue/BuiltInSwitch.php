<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** A switch inside a connector: which of its contacts are joined, at rest and when operated. */
final readonly class BuiltInSwitch
{
    /**
     * @param  list<array{string, string}>  $atRest  pairs of addresses joined
     * @param  list<array{string, string}>  $operated  pairs of addresses joined
     */
    public function __construct(public string $name, public array $atRest, public array $operated)
    {
    }
}
