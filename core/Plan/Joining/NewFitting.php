<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

/** A connector that a gesture brings: what it is, what people call it, where it is. */
final readonly class NewFitting
{
    /**
     * @param  string  $connector  connector type id; "" that of the contact plan by which something lands in it
     * @param  string  $label  "" one is made of the run's code
     * @param  string  $location  "" where the end is that lands in it
     * @param  array<int|string, string>  $inserts  bay → connector type id
     */
    public function __construct(
        public string $connector,
        public string $label = '',
        public string $location = '',
        public array $inserts = [],
    ) {
    }
}
