<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Side;

/** Channels of a contact plan in one connector: which of them nothing lands on yet. */
final readonly class Channels
{
    /** @param  array<int|string, string>  $taken  channel → what lands on it, in words */
    private function __construct(
        private Fitting $fitting,
        private ContactPlan $plan,
        private Sketch $on,
        private array $taken,
    ) {
    }

    public static function of(Sketch $on, Fitting $fitting, ContactPlan $plan): self
    {
        $contacts = [];
        foreach ($on->now()->runs() as $run) {
            if ($run->withdrawn) {
                continue;
            }
            foreach (Side::cases() as $side) {
                foreach ($run->end($side)->legs as $leg) {
                    $landing = $leg->landing?->fitting === $fitting->id ? $leg->landing : null;
                    $other = $landing === null ? null : $on->now()->plan($landing->plan);
                    foreach ($landing->channels ?? [] as $channel) {
                        foreach ($other->channels[$channel] ?? [] as $address) {
                            $contacts[$address] = sprintf('%s end %s', $run->code, $side->value);
                        }
                    }
                }
            }
        }
        $taken = [];
        foreach ($plan->channels as $channel => $functions) {
            foreach ($functions as $address) {
                if (isset($contacts[$address]) && ! in_array((string) $address, $fitting->shared, true)) {
                    $taken[$channel] ??= $contacts[$address];
                }
            }
        }

        return new self($fitting, $plan, $on, $taken);
    }

    /**
     * @param  array<int|string, string>  $carriers  element → signal
     * @param  list<string>  $wanted  channels for them in this order; none: the next that are free
     * @return array<int|string, string> element → channel
     *
     * @throws CannotJoin
     */
    public function choose(array $carriers, array $wanted): array
    {
        $chosen = $wanted === [] ? $this->next($carriers) : $this->wanted($carriers, $wanted);
        foreach ($chosen as $channel) {
            if (isset($this->taken[$channel])) {
                throw CannotJoin::because('channels', $channel, sprintf(
                    '%s comes to channel %s of %s already. Choose another, or declare its contacts as shared first.',
                    $this->taken[$channel],
                    $channel,
                    $this->fitting->label,
                ));
            }
        }
        $twice = array_diff_assoc($chosen, array_unique($chosen));
        if ($twice !== []) {
            $channel = (string) reset($twice);
            throw CannotJoin::because('channels', $channel, sprintf(
                'Channel %s is named twice. Each element needs one of its own.',
                $channel,
            ));
        }

        return $chosen;
    }

    /**
     * @param  array<int|string, string>  $carriers
     * @return array<int|string, string>
     *
     * @throws CannotJoin
     */
    private function next(array $carriers): array
    {
        $free = [];
        $chosen = [];
        foreach ($carriers as $element => $id) {
            $signal = $this->on->now()->catalogue->signal($id);
            $fit = $signal === null ? [] : $this->plan->channelsFor($signal);
            $free[$id] ??= array_values(array_filter(
                $fit,
                fn (string $channel): bool => ! isset($this->taken[$channel]),
            ));
            if ($fit === []) {
                throw CannotJoin::because('plan', $this->plan->name, sprintf(
                    'It has no contact for %s. Choose a plan for that signal.',
                    $signal->name ?? $id,
                ));
            }
            // What another signal has just taken is not free for this one.
            $channel = array_values(array_diff($free[$id], $chosen))[0] ?? throw CannotJoin::because(
                'elements',
                (string) count($carriers),
                sprintf(
                    'Only %d free %s of %s: land fewer, or in another connector.',
                    count($free[$id]),
                    count($free[$id]) === 1 ? 'channel is left' : 'channels are left',
                    $this->fitting->label,
                ),
            );
            $chosen[$element] = $channel;
        }

        return $chosen;
    }

    /**
     * @param  array<int|string, string>  $carriers
     * @param  list<string>  $wanted
     * @return array<int|string, string>
     *
     * @throws CannotJoin
     */
    private function wanted(array $carriers, array $wanted): array
    {
        foreach ($wanted as $channel) {
            if (! isset($this->plan->channels[$channel])) {
                throw CannotJoin::because('channels', $channel, sprintf(
                    'Plan "%s" has no such channel. It has %s.',
                    $this->plan->name,
                    self::listed(array_map(strval(...), array_keys($this->plan->channels))),
                ));
            }
        }
        if (count($wanted) !== count($carriers)) {
            throw CannotJoin::because('channels', implode(', ', $wanted), sprintf(
                '%d for %d that carry something. Name one channel for each.',
                count($wanted),
                count($carriers),
            ));
        }

        return array_combine(array_keys($carriers), $wanted);
    }

    /** @param  list<string>  $names */
    private static function listed(array $names): string
    {
        return count($names) > 6
            ? sprintf('%d, from %s to %s', count($names), $names[0], $names[count($names) - 1])
            : implode(', ', $names);
    }
}
