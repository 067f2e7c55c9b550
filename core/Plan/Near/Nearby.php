<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Installation;

/** Which runs some have to do with, as cards say; null wherever these are too many for that to be of use. */
final readonly class Nearby
{
    /**
     * @param  array<int|string, RunCard>  $runs  by run: with all that anything about them follows from
     * @param  array<int|string, RunCard>  $rim  by run: those lie with some of them, and of these nothing is known
     * @param  list<string>  $ties  {@see TieName}, all by which the runs hang together
     */
    private function __construct(public array $runs, public array $rim, public array $ties)
    {
    }

    /**
     * All that something about these may follow from.
     *
     * @param  array<array-key, list<string>>  $between  {@see TieName::between}
     * @param  array<int|string, RunCard>  $these  by run
     * @param  list<string>  $ties  of what is looked at besides
     * @param  int  $most  runs that are of use
     */
    public static function around(Cards $cards, array $between, array $these, array $ties, int $most): ?self
    {
        $runs = $these;
        $known = [];
        $open = array_fill_keys($ties, true);
        foreach ($these as $card) {
            $open += array_fill_keys($card->ties, true);
        }
        while ($open !== []) {
            $known += $open;
            $next = [];
            foreach (array_intersect_key($between, $open) as $others) {
                $next += array_fill_keys($others, true);
            }
            foreach ($cards->with(OnCard::Ties, self::texts($open), $most + 1) as $run => $card) {
                $next += isset($runs[$run]) ? [] : array_fill_keys($card->ties, true);
                $runs[$run] ??= $card;
            }
            if (count($runs) > $most) {
                return null;
            }
            $open = array_diff_key($next, $known);
        }
        $beside = [];
        foreach ($runs as $card) {
            $beside += array_fill_keys($card->beside, true);
        }
        $rim = array_diff_key($cards->with(OnCard::Beside, self::texts($beside), 2 * $most + 1), $runs);

        return count($rim) > $most ? null : new self($runs, $rim, self::texts($known));
    }

    /**
     * All about which something may follow otherwise, before and after.
     *
     * @param  array<array-key, list<string>>  $between  of both
     * @param  array<int|string, RunCard>  $was  of those that are changed, by run; without those that are new
     * @param  array<int|string, RunCard>  $is  the same since; without those that are gone
     * @param  list<string>  $ties  of what is changed besides
     * @param  list<string>  $turned  texts of labels that are marked since, or are so no longer: {@see Clashes}
     * @param  int  $most  runs that are of use
     * @param  ?list<string>  $moved  of those that lie with some of them, the ones that lie otherwise since; null: any
     */
    public static function changing(
        Cards $cards,
        array $between,
        array $was,
        array $is,
        array $ties,
        array $turned,
        int $most,
        ?array $moved = null,
    ): ?self {
        $beside = $codes = $labels = [];
        foreach ([...array_values($was), ...array_values($is)] as $card) {
            array_push($ties, ...$card->ties);
            $beside += array_fill_keys($card->beside, true);
        }
        foreach ($was + $is as $run => $_) {
            [$before, $after] = [$was[$run] ?? null, $is[$run] ?? null];
            $codes += $before?->code === $after?->code
                ? []
                : array_fill_keys(array_filter([$before->code ?? '', $after->code ?? '']), true);
            $labels += self::others($before->labels ?? [], $after->labels ?? []);
        }
        $these = $was + $is +
            ($moved === null
                ? $cards->with(OnCard::Beside, self::texts($beside), $most + 1)
                : $cards->of($moved)) +
            $cards->with(OnCard::Code, self::texts($codes), $most + 1) +
            $cards->with(OnCard::Labels, self::texts($labels), $most + 1) +
            $cards->with(OnCard::Says, $turned, $most + 1);

        return count($these) > $most ? null : self::around($cards, $between, $these, $ties, $most);
    }

    /** Of its runs, their fittings and their circuits alone, with everything that is not of runs. */
    public function in(Installation $whole): Installation
    {
        $fittings = array_flip($this->fittings());
        // What a fitting feeds belongs to it, whether a run carries it or not.
        $circuits = array_flip($this->circuits()) + array_filter(
            $whole->circuits(),
            static fn (Circuit $circuit): bool => isset($fittings[$circuit->phantom]),
        );

        return $whole->changed([
            'runs' => array_intersect_key($whole->runs(), $this->runs + $this->rim),
            'fittings' => array_intersect_key($whole->fittings(), $fittings),
            'circuits' => array_intersect_key($whole->circuits(), $circuits),
        ]);
    }

    /** @return list<string> fittings that its runs are joined to, or that may be */
    public function fittings(): array
    {
        return array_values(array_filter(array_map(TieName::isFitting(...), $this->ties), is_string(...)));
    }

    /** @return list<string> circuits that its runs carry */
    public function circuits(): array
    {
        return array_values(array_filter(array_map(TieName::isCircuit(...), $this->ties), is_string(...)));
    }

    /**
     * @param  list<string>  $before
     * @param  list<string>  $after
     * @return array<array-key, true> texts that are there more often, or less often
     */
    private static function others(array $before, array $after): array
    {
        [$was, $is] = [array_count_values($before), array_count_values($after)];

        return array_fill_keys(array_keys(array_diff_assoc($was, $is) + array_diff_assoc($is, $was)), true);
    }

    /**
     * @param  array<array-key, mixed>  $keys
     * @return list<string>
     */
    private static function texts(array $keys): array
    {
        return array_map(strval(...), array_keys($keys));
    }
}
