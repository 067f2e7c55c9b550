<?php

declare(strict_types=1);

namespace Sartal\Core\Catalogue;

/**
 * Which channel and function sits on which contact of a connector. Within a
 * plan the two are one-to-one; {@see ContactPlan::collisions()} says where not.
 */
final readonly class ContactPlan
{
    /**
     * @param  string  $connector  connector type id
     * @param  array<string, array<string, string>>  $channels  channel → function → address
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $connector,
        public array $channels,
        public string $source = '',
    ) {
    }

    public function address(string $channel, string $function): ?string
    {
        return $this->channels[$channel][$function] ?? null;
    }

    /**
     * Addresses that more than one function claims.
     *
     * @return array<string, list<string>> address → "channel function", two or more
     */
    public function collisions(): array
    {
        $claims = [];
        foreach ($this->channels as $channel => $functions) {
            foreach ($functions as $function => $address) {
                $claims[$address][] = $channel.' '.$function;
            }
        }

        return array_filter($claims, static fn (array $claim): bool => count($claim) > 1);
    }
}
