<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Withers;

/** One connector, loaded: the legs of several cable ends may share it. */
final readonly class Fitting
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $connector  connector type id
     * @param  array<int|string, string>  $inserts  bay → connector type id of the insert in it
     * @param  list<string>  $shared  addresses on which several wires are meant to meet
     * @param  string  $exit  where the cable leaves the hood; "" the usual way
     * @param  ?int  $clocking  degrees, of a plug that points somewhere
     * @param  list<string>  $parts  ids of parts chosen by hand: each stands in for the one of its kind that would be
     *     taken
     */
    public function __construct(
        public string $id,
        public string $label,
        public string $connector,
        public string $location,
        public array $inserts = [],
        public array $shared = [],
        public string $exit = '',
        public ?int $clocking = null,
        public array $parts = [],
    ) {
    }

    public function at(string $location): self
    {
        return $this->copy(['location' => $location]);
    }

    /** @param  list<string>  $parts  ids of parts chosen by hand */
    public function choosing(array $parts): self
    {
        return $this->copy(['parts' => $parts]);
    }

    public function named(string $label): self
    {
        return $this->copy(['label' => $label]);
    }

    /** @param  list<string>  $shared  addresses on which several wires are meant to meet */
    public function sharing(array $shared): self
    {
        return $this->copy(['shared' => $shared]);
    }

    /** @param  array<int|string, string>  $inserts  bay → connector type id of the insert in it */
    public function holding(array $inserts): self
    {
        return $this->copy(['inserts' => $inserts]);
    }
}
