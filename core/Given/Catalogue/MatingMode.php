<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** One way in which a connector mates with another. */
final readonly class MatingMode
{
    /**
     * @param  string  $with  connector type id
     * @param  array<int|string, string>  $contacts  own address → the other's, where they differ
     */
    public function __construct(public string $with, public string $name = 'straight', public array $contacts = [])
    {
    }

    public function opposite(string $address): string
    {
        return $this->contacts[$address] ?? $address;
    }
}
