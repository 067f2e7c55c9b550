<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\ByWayOf;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Ways\Routing\Hop;
use Sartal\Core\Ways\Routing\Router;

/**
 * A run from one line of words: "24 mic stage box 1 > amp rack patch via
 * under-stage tray". How many, of which signal, from where, to where, through
 * what, and where legs are unequal how long each is: "legs 300 > 300/375 mm".
 * Or a loose lead, by how long it is: "10 m mic lead".
 * The rest is filled in from what the installation does elsewhere, else from
 * what is usual; every guess is named, with what it is guessed from and what
 * would have been next. Cables and connectors of mains are never guessed.
 */
final class QuickLine
{
    /** @var list<Understood> */
    private array $understood = [];

    private readonly Habits $habits;

    /** @param  list<RunHabit>  $runs  all that there are */
    private function __construct(
        private readonly Installation $installation,
        private readonly Usuals $usuals,
        private readonly QuickText $text,
        private readonly array $runs,
    ) {
        $this->habits = new Habits($installation->catalogue, $runs, $text->length !== null);
    }

    /**
     * @param  list<RunHabit>  $elsewhere  of runs that there are besides those that the installation was read with
     *
     * @throws CannotPropose naming what was not understood and how to say it
     */
    public static function read(
        string $text,
        Installation $installation,
        Usuals $usuals = new Usuals(),
        array $elsewhere = [],
    ): QuickGuess {
        $runs = [...$elsewhere, ...array_values(RunHabit::in($installation))];

        return (new self($installation, $usuals, QuickText::read($text), $runs))->guess($text);
    }

    private function guess(string $text): QuickGuess
    {
        $said = $this->text;
        if ($said->legs !== '') {
            $this->understood[] = new Understood('legs', $said->legs, true);
        }
        [$signal, $rest, $words] = $this->signal($said->what);
        if ($signal->domain === HazardDomain::Mains) {
            throw CannotPropose::mains($text);
        }
        $usual = $this->usuals->of($signal, $said->length !== null, $words);
        [$from, $to] = $said->length === null
            ? [$this->location('from', $rest), $this->location('to', $said->where)]
            : $this->store($said->where);
        $ways = $said->length === null ? $this->ways($said->via) : [];
        [$cable, $many] = $this->cable($said->count, $signal, $usual);
        $ways = $said->length === null ? $this->pins($ways, $from, $to, $cable) : [];
        $codes = $this->codes($cable->prefix, $many);
        $build = $this->habits->build($cable->id);
        $a = $this->end($from, Side::A, $signal, $cable, $said->legsA, $usual);
        $b = $this->end($to, Side::B, $signal, $cable, $said->legsB, $usual);
        $ids = RunCodes::besides($this->runs, $this->installation);
        $requests = [];
        foreach ($codes as $code) {
            $requests[] = new RunRequest(
                $ids->id($code),
                $code,
                $cable->id,
                [$signal->id],
                $build,
                $a,
                $b,
                $ways,
                length: $said->length,
            );
        }

        return new QuickGuess($requests, $this->understood);
    }

    /** @return array{SignalType, string, list<string>} the signal, the words that are left, and all of them */
    private function signal(string $said): array
    {
        $words = Words::split($said);
        $isLead = $this->text->length !== null;
        // Of a line something is left that says where it begins.
        $least = $isLead ? 1 : 2;
        $catalogue = $this->installation->catalogue;
        foreach (count($words) < $least ? [] : $catalogue->signals() as $signal) {
            foreach ([...$signal->words, $signal->id] as $name) {
                if (in_array(mb_strtolower($name), $words, true)) {
                    return $this->meant($signal, mb_strtolower($name), $words);
                }
            }
        }
        [$id, $name] = $this->usuals->named($isLead, $words) ?? ['', ''];
        $signal = count($words) < $least ? null : $catalogue->signal($id);
        if ($signal !== null) {
            return $this->meant($signal, $name, $words);
        }
        throw CannotPropose::unsaid(
            'signal',
            $said,
            sprintf('Say which signal, such as %s.', implode(', ', $this->examples())),
        );
    }

    /**
     * @param  list<string>  $words
     * @return array{SignalType, string, list<string>}
     */
    private function meant(SignalType $signal, string $by, array $words): array
    {
        $this->understood[] = new Understood('signal', $signal->name, true);
        $word = '~(?<![\p{L}\p{N}])'.preg_quote($by, '~').'(?![\p{L}\p{N}])~ui';
        $left = trim((string) preg_replace($word, '', $this->text->what, 1));

        return [$signal, (string) preg_replace('~\s+~u', ' ', $left), $words];
    }

    /** @return list<string> */
    private function examples(): array
    {
        $words = [];
        foreach ($this->installation->catalogue->signals() as $signal) {
            $words[] = $signal->words[0] ?? $signal->id;
        }

        return array_slice($words, 0, 6);
    }

    private function location(string $field, string $words): string
    {
        $names = array_map(static fn ($location): string => $location->name, $this->installation->locations());
        $best = Words::best($words, $names);
        if ($best === []) {
            throw CannotPropose::noPlace($field, $words);
        }
        if (count($best) > 1) {
            throw CannotPropose::unsaid($field, $words, self::either($best, $names));
        }
        $this->understood[] = new Understood($field, $names[$best[0]], true);

        return $best[0];
    }

    /**
     * @param  list<string>  $ids
     * @param  array<int|string, string>  $names  by id
     */
    private static function either(array $ids, array $names): string
    {
        $some = array_map(static fn (string $id): string => $names[$id], array_slice($ids, 0, 4));

        return 'It could be '.implode(' or ', $some).'. Say which.';
    }

    /** @return list<string> ids of ways that were said, in their order */
    private function ways(string $words): array
    {
        $names = array_map(static fn ($way): string => $way->name, $this->installation->ways());
        $ways = [];
        foreach (
            $words === '' ? [] : (preg_split('~\s*(?:,|\+|\bthen\b|\band\b)\s*~ui', trim($words)) ?: []) as $said
        ) {
            $best = Words::best($said, $names);
            if (count($best) !== 1) {
                $remedy = $best === []
                    ? 'No way has such a name. Make it in the building, or say another.'
                    : self::either($best, $names);
                throw CannotPropose::unsaid('ways', $said, $remedy);
            }
            $ways[] = $best[0];
        }

        return $ways;
    }

    /**
     * The whole way by those that were said. Where it is the shortest anyway, nothing is pinned.
     *
     * @param  list<string>  $said
     * @return list<string>
     */
    private function pins(array $said, string $from, string $to, CableType $cable): array
    {
        $router = new Router($this->installation);
        $cargo = Cargo::from($cable);
        $usual = $router->shortest($from, $to, $cargo);
        $shortest = $usual === null ? [] : array_map(static fn (Hop $hop): string => $hop->way->id, $usual);
        $by = array_map(fn (string $id): Way => $this->installation->theWay($id), $said);
        $ways = $said === [] ? $shortest : (new ByWayOf($router, $cargo))->ways($from, $to, $by) ?? $said;
        if ($ways !== []) {
            $this->understood[] = new Understood(
                'ways',
                implode(', ', array_map(fn (string $id): string => $this->installation->theWay($id)->name, $ways)),
                $said !== [],
                $said === [] ? 'the shortest that lets it in' : '',
            );
        }

        return $ways === $shortest ? [] : $ways;
    }

    /**
     * Where a lead is kept, which is at both of its ends.
     *
     * @return array{string, string}
     */
    private function store(string $said): array
    {
        $this->understood[] = new Understood('length', $this->text->long, true);
        if ($said !== '') {
            $at = $this->location('from', $said);

            return [$at, $at];
        }
        $places = $this->installation->locations();
        $kept = $this->habits->store();
        $at = $kept !== '' ? $kept : (count($places) === 1 ? (string) array_key_first($places) : '');
        if ($at === '') {
            throw CannotPropose::unsaid('from', '', 'Say where the lead is kept: 10 m mic lead in the store.');
        }
        $because = $kept !== '' ? 'where most leads are kept' : 'the only place there is';
        $this->understood[] = new Understood('from', $places[$at]->name, false, $because);

        return [$at, $at];
    }

    /** @return array{CableType, int} and how many of it */
    private function cable(int $count, SignalType $signal, ?Usual $usual): array
    {
        $choice = new CableChoice($this->installation->catalogue, $signal, $this->habits, $usual);
        $guess = $choice->of($count);
        $this->understood[] = new Understood('cable', $guess->cable->name, false, $guess->because, $guess->instead);
        if ($guess->many > 1) {
            $because = $this->habits->ofLeads ? 'each a lead of its own' : 'each on a cable of its own';
            $this->understood[] = new Understood('runs', (string) $guess->many, false, $because);
        }

        return [$guess->cable, $guess->many];
    }

    /**
     * One higher than the highest number with the same prefix, and those after it.
     *
     * @return non-empty-list<string>
     */
    private function codes(string $prefix, int $many): array
    {
        $highest = 0;
        foreach ($this->runs as $run) {
            if (preg_match('~^'.preg_quote($prefix, '~').'-?(\d+)$~', $run->code, $m) === 1) {
                $highest = max($highest, (int) $m[1]);
            }
        }
        $first = sprintf('%s-%03d', $prefix, $highest + 1);
        $codes = [$first, ...array_slice(RunCodes::besides($this->runs, $this->installation)->from($first, $many), 1)];
        $this->understood[] = new Understood(
            'code',
            $many === 1 ? $first : sprintf('%s to %s', $first, $codes[count($codes) - 1]),
            false,
            $highest === 0 ? sprintf('the first of %s', $prefix) : sprintf('one more than %s-%03d', $prefix, $highest),
        );

        return $codes;
    }

    /** @param  list<Length>  $legs  that were said */
    private function end(
        string $location,
        Side $side,
        SignalType $signal,
        CableType $cable,
        array $legs,
        ?Usual $usual,
    ): Termination {
        [$like, $because, $plans] = $this->habits->end($location, $side, $signal, $cable);
        if ($plans === []) {
            $plans = $this->usual($side === Side::A ? $usual->from ?? [] : $usual->to ?? [], $signal);
            $because = $plans === []
                ? sprintf('the first that carries %s; none ends here yet', $signal->name)
                : $usual->because ?? '';
            $plans = array_values(array_unique([...$plans, ...$this->fitting($signal)]));
        }
        $names = array_map($this->connector(...), array_slice($plans, 0, 2));
        $plans = array_slice($plans, 0, 1);
        $this->understood[] = new Understood(
            'connector '.$side->value,
            $names[0] ?? 'none: the end stays bare',
            false,
            $plans === [] ? sprintf('no connector carries %s', $signal->name) : $because,
            $names[1] ?? '',
        );
        $isLead = $this->text->length !== null;

        return new Termination(
            $location,
            $plans,
            $like->tail ?? ($isLead ? Length::zero() : Length::metres(1)),
            $like->slack ?? ($isLead ? Length::zero() : Length::millimetres(300)),
            $like->preparation ?? Length::millimetres(40),
            $like->spares ?? 1,
            $legs[count($legs) - 1] ?? $like->leg ?? Length::zero(),
            legs: $legs,
        );
    }

    /**
     * @param  list<string>  $plans  that are usual
     * @return list<string> those of them that are here, and for such a signal
     */
    private function usual(array $plans, SignalType $signal): array
    {
        $catalogue = $this->installation->catalogue;

        return array_values(array_filter($plans, static function (string $id) use ($catalogue, $signal): bool {
            $plan = $catalogue->contactPlan($id);

            return $plan !== null && ! $plan->retired && $plan->channelsFor($signal) !== [];
        }));
    }

    /** What a contact plan is for, as people call it. */
    private function connector(string $plan): string
    {
        $connector = $this->installation->catalogue->theContactPlan($plan)->connector;

        return $this->installation->catalogue->connector($connector)->name ?? $plan;
    }

    /** @return list<string> contact plans for a signal, each of a connector of its own */
    private function fitting(SignalType $signal): array
    {
        $plans = [];
        foreach ($this->installation->catalogue->plans() as $plan) {
            if (! $plan->retired && $plan->channelsFor($signal) !== []) {
                $plans[$plan->id] = $plan->connector;
            }
        }

        return array_map(strval(...), array_keys(array_unique($plans)));
    }
}
