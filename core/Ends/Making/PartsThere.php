<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** Parts that belong to an end, by what procedures call them, and what is wanted of them. */
final readonly class PartsThere
{
    /**
     * @param  array<int|string, Arrival>  $arrive  how each comes to its place
     * @param  array<int|string, list<string>>  $over  what is part of the connector and closed over what is joined →
     *     terminals under it
     * @param  array<int|string, int>  $crimps  how many crimps its maker wants of each
     * @param  list<string>  $shrinks  that have to be shrunk
     * @param  list<string>  $turns  that have to be turned for the side where the cable leaves
     * @param  list<string>  $snags  in which bare and tinned ends catch
     * @param  list<string>  $under  that lie under what is put on after them, and are in nobody's way
     * @param  list<string>  $atOnce  whose crimps are one step, however many its maker wants
     */
    public function __construct(
        public array $arrive = [],
        public array $over = [],
        public array $crimps = [],
        public array $shrinks = [],
        public array $turns = [],
        public array $snags = [],
        public array $under = [],
        public array $atOnce = [],
    ) {
    }

    public function has(string $part): bool
    {
        return isset($this->arrive[$part]);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->arrive));
    }

    /** Along the cable, not from the front or the side. */
    public function isSlid(string $part): bool
    {
        return in_array($this->arrive[$part] ?? null, [Arrival::Slid, Arrival::SlidHere], true);
    }
}
