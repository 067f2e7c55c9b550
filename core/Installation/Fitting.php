<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

/** One connector, loaded: the legs of several cable ends may share it. */
final readonly class Fitting
{
    /**
     * @param  string  $connector  connector type id
     * @param  array<string, string>  $inserts  bay → connector type id of the insert in it
     * @param  list<string>  $shared  addresses on which several wires are meant to meet
     */
    public function __construct(
        public string $id,
        public string $label,
        public string $connector,
        public string $location,
        public array $inserts = [],
        public array $shared = [],
    ) {
    }
}
