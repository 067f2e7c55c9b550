<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/**
 * Which channel and function sits on which contact of a connector. Within a
 * plan the two are one-to-one; {@see ContactPlan::collisions()} says where not.
 */
final readonly class ContactPlan
{
    /**
     * @param  string  $connector  connector type id
     * @param  array<int|string, array<int|string, string>>  $channels  channel → function → address
     * @param  array<int|string, string>  $byScheme  house colour scheme → the plan that it stands for; empty: the plan
     *     itself
     * @param  int  $block  channels that share a block colour; 0: no blocks
     * @param  list<string>  $shared  addresses on which several functions are meant to meet
     * @param  array<int|string, string>  $inserts  bay → insert that the plan presumes
     * @param  bool  $retired  kept for those who use it, offered to nobody
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $connector,
        public array $channels,
        public string $source = '',
        public array $byScheme = [],
        public int $block = 0,
        public array $shared = [],
        public array $inserts = [],
        public bool $retired = false,
    ) {
    }

    /** Number of a channel's block, from 1; 0 where the plan has no blocks. */
    public function blockOf(string $channel): int
    {
        $place = array_search($channel, array_map(strval(...), array_keys($this->channels)), true);

        return $this->block === 0 || $place === false ? 0 : intdiv($place, $this->block) + 1;
    }

    /**
     * Channels that have a contact for everything that a signal needs.
     *
     * @return list<string>
     */
    public function channelsFor(SignalType $signal): array
    {
        $fit = [];
        foreach ($this->channels as $channel => $contacts) {
            foreach ($signal->functions as $function) {
                if ($function->required && ! isset($contacts[$function->name])) {
                    continue 2;
                }
            }
            $fit[] = (string) $channel;
        }

        return $fit;
    }

    public function address(string $channel, string $function): ?string
    {
        return $this->channels[$channel][$function] ?? null;
    }

    /**
     * Addresses that more than one function claims.
     *
     * @return array<int|string, list<string>> address → "channel function", two or more
     */
    public function collisions(): array
    {
        $claims = [];
        foreach ($this->channels as $channel => $functions) {
            foreach ($functions as $function => $address) {
                $claims[$address][] = $channel.' '.$function;
            }
        }

        return array_filter(
            $claims,
            fn (array $claim, int|string $address): bool => count($claim) > 1 &&
                ! in_array((string) $address, $this->shared, true),
            ARRAY_FILTER_USE_BOTH,
        );
    }
}
