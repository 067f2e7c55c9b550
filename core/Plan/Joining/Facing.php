<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Ends\Pinout\ContactPair;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Pinout\PlanComparison;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** A connector beside what it mates with: what meets on each contact, as it is joined and not only as it is planned. */
final readonly class Facing
{
    /**
     * @param  string  $with  what it mates with, by its name
     * @param  string  $connector  connector type id of the other half
     * @param  list<ContactPair>  $pairs  every contact that either half uses
     */
    private function __construct(public string $with, public string $connector, public array $pairs)
    {
    }

    /**
     * Null where it mates with nothing that is known, or the halves do not go together.
     *
     * @param  ?array<int|string, list<Run>>  $runs  by fitting that they come to, where many are asked about
     */
    public static function of(Installation $in, string $fitting, ?array $runs = null): ?self
    {
        $own = $in->fitting($fitting);
        $other = self::other($in, $fitting);
        $port = $in->port($other);
        $facing = $in->fitting($other);
        $type = $in->catalogue->connector($own->connector ?? '');
        $half = $in->catalogue->connector($facing->connector ?? $port->connector ?? '');
        $mode = $type === null || $half === null ? null : $type->matesWith($half) ?? $half->matesWith($type);
        if ($own === null || $half === null || $mode === null) {
            return null;
        }
        $runs ??= self::runs($in);
        $here = self::joined($in, $own, $runs[$own->id] ?? []);
        $there = $facing !== null
            ? self::joined($in, $facing, $runs[$facing->id] ?? [])
            : self::planned($in, $port->plan ?? '');
        $isNumbered = self::areSeveral($here) && self::areSeveral($there);
        $device = $in->device(PortRef::from($other)->device);

        return new self(
            $facing->label ?? trim(($device->name ?? '').' '.($port->name ?? '')),
            $half->id,
            PlanComparison::meeting(self::said($here, $isNumbered), self::said($there, $isNumbered), $mode),
        );
    }

    private static function other(Installation $in, string $fitting): string
    {
        foreach ($in->matings() as $mating) {
            if ($mating->fitting === $fitting) {
                return $mating->with;
            }
            if ($mating->with === $fitting) {
                return $mating->fitting;
            }
        }

        return '';
    }

    /** @return array<int|string, list<Run>> by fitting that they come to */
    public static function runs(Installation $in): array
    {
        $runs = [];
        foreach ($in->runs() as $run) {
            foreach ($run->withdrawn ? [] : $run->fittings() as $fitting) {
                $runs[$fitting][] = $run;
            }
        }

        return $runs;
    }

    /**
     * @param  list<Run>  $runs  that come to it
     * @return array<int|string, array{string, string}> contact → channel and function that come to it
     */
    private static function joined(Installation $in, Fitting $fitting, array $runs): array
    {
        $found = [];
        foreach ($runs as $run) {
            $cable = $in->catalogue->cable($run->cable);
            if ($cable === null) {
                continue;
            }
            foreach (Side::cases() as $side) {
                foreach (PinoutMaker::make($in, $run, $side, $cable)->joints as $joint) {
                    if (Node::fitting($joint->to) === $fitting->id) {
                        $found[$joint->address()] ??= self::claim($joint);
                    }
                }
            }
        }

        return $found;
    }

    /** @return array{string, string} */
    private static function claim(Joint $joint): array
    {
        return [$joint->channel, $joint->function === '' ? 'a core that serves nothing' : $joint->function];
    }

    /** @return array<int|string, array{string, string}> */
    private static function planned(Installation $in, string $plan): array
    {
        $found = [];
        foreach ($in->plan($plan)->channels ?? [] as $channel => $contacts) {
            foreach ($contacts as $function => $address) {
                $found[$address] ??= [(string) $channel, (string) $function];
            }
        }

        return $found;
    }

    /** @param  array<int|string, array{string, string}>  $claims */
    private static function areSeveral(array $claims): bool
    {
        return count(array_unique(array_column($claims, 0))) > 1;
    }

    /**
     * @param  array<int|string, array{string, string}>  $claims
     * @return array<int|string, string>
     */
    private static function said(array $claims, bool $isNumbered): array
    {
        return array_map(
            static fn (array $claim): string => $isNumbered ? implode(' ', $claim) : $claim[1],
            $claims,
        );
    }

    /** Of what was compared. */
    public function print(): string
    {
        $parts = array_map(
            static fn (ContactPair $pair): string => implode('|', [
                $pair->address, $pair->own, $pair->opposite, $pair->theirs,
            ]),
            $this->pairs,
        );
        sort($parts);

        return hash('xxh128', implode("\n", [$this->with, $this->connector, ...$parts]));
    }
}
