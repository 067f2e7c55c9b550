<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\ByWayOf;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Ways\Routing\Hop;
use Sartal\Core\Ways\Routing\Router;

/**
 * A run from one line of words: "24 mic stage box 1 > amp rack patch via
 * under-stage tray". How many, of which signal, from where, to where, through
 * what, and where legs are unequal how long each is: "legs 300 > 300/375 mm".
 * The rest is filled in from what the installation does elsewhere; every
 * guess is named, with what it is guessed from and what would have been next.
 * Cables and connectors of mains are never guessed.
 */
final class QuickLine
{
    /** @var list<Understood> */
    private array $understood = [];

    private function __construct(private readonly Installation $installation)
    {
    }

    /** @throws CannotPropose naming what was not understood and how to say it */
    public static function read(string $text, Installation $installation, string $id): QuickGuess
    {
        return (new self($installation))->guess($text, $id);
    }

    private function guess(string $text, string $id): QuickGuess
    {
        [$text, $legs] = $this->legs($text);
        if (
            preg_match(
                '~^\s*(?:(\d+)\s*[x×]?\s+)?(.+?)\s*(?:>|→|\bto\b)\s*(.+?)(?:\s+via\s+(.+))?\s*$~ui',
                $text,
                $m,
            ) !== 1
        ) {
            throw CannotPropose::unreadable($text);
        }
        if (preg_match('~>|→~u', $m[3].($m[4] ?? '')) === 1) {
            throw CannotPropose::chained($text);
        }
        $count = $m[1] === '' ? 1 : (int) $m[1];
        [$signal, $rest] = $this->signal($m[2]);
        if ($signal->domain === HazardDomain::Mains) {
            throw CannotPropose::mains($text);
        }
        $from = $this->location('from', $rest);
        $to = $this->location('to', $m[3]);
        $said = $this->ways($m[4] ?? '');
        $cable = $this->cable($count, $signal);
        $ways = $this->pins($said, $from, $to, $cable);
        $code = $this->code($cable->prefix);
        $build = $this->build($cable->id);
        $a = $this->end($from, Side::A, $signal, $cable, $legs[0]);
        $b = $this->end($to, Side::B, $signal, $cable, $legs[1]);

        return new QuickGuess(
            new RunRequest($id, $code, $cable->id, [$signal->id], $build, $a, $b, $ways),
            $this->understood,
        );
    }

    /**
     * @return array{string, array{list<Length>, list<Length>}} the words that are left, and the legs of each end
     *
     * @throws CannotPropose
     */
    private function legs(string $text): array
    {
        if (preg_match('~^(.+?)[\s,]+(?:with\s+)?legs?\s+(?:of\s+)?([\d.].*)$~ui', $text, $m) !== 1) {
            return [$text, [[], []]];
        }
        $ends = [];
        foreach (preg_split('~\s*(?:>|→)\s*~u', trim($m[2])) ?: [] as $said) {
            $unit = preg_match('~([a-z"′″]+)\s*$~ui', $m[2], $u) === 1 ? $u[1] : 'mm';
            $ends[] = array_map(
                static function (string $each) use ($unit): Length {
                    try {
                        return Length::parse(trim($each), $unit);
                    } catch (InvalidMeasure) {
                        throw CannotPropose::unsaid('leg_a', $each, 'Write legs such as: legs 300/375 mm.');
                    }
                },
                preg_split('~\s*(?:/|\band\b|,)\s*~u', $said) ?: [],
            );
        }
        $this->understood[] = new Understood('legs', trim($m[2]), true);

        return [$m[1], [$ends[0] ?? [], $ends[1] ?? $ends[0] ?? []]];
    }

    /** @return array{SignalType, string} the signal, and the words that are left */
    private function signal(string $words): array
    {
        $split = Words::split($words);
        foreach ($this->installation->catalogue->signals() as $signal) {
            foreach ([...$signal->words, $signal->id] as $name) {
                $at = array_search(mb_strtolower($name), $split, true);
                if ($at !== false && count($split) > 1) {
                    unset($split[$at]);
                    $this->understood[] = new Understood('signal', $signal->name, true);

                    return [$signal, implode(' ', $split)];
                }
            }
        }
        throw CannotPropose::unsaid(
            'signal',
            $words,
            sprintf('Say which signal, such as %s.', implode(', ', $this->examples())),
        );
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
        if (count($best) !== 1) {
            throw CannotPropose::unsaid(
                $field,
                $words,
                $best === []
                    ? 'No place has such a name. Add it under Rules, or say another.'
                    : 'It could be '.
                        implode(
                            ' or ',
                            array_map(static fn (string $id): string => $names[$id], array_slice($best, 0, 4)),
                        ).
                        '. Say which.',
            );
        }
        $this->understood[] = new Understood($field, $names[$best[0]], true);

        return $best[0];
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
                throw CannotPropose::unsaid(
                    'ways',
                    $said,
                    $best === []
                        ? 'No way has such a name. Add it under Rules, or say another.'
                        : 'It could be '.
                            implode(
                                ' or ',
                                array_map(static fn (string $id): string => $names[$id], array_slice($best, 0, 4)),
                            ).
                            '. Say which.',
                );
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
     * The smallest cable that carries as many; the one that the house uses most for such a signal where there are
     * several.
     */
    private function cable(int $count, SignalType $signal): CableType
    {
        $proposer = new Proposer($this->installation->catalogue);
        [$used, $families] = $this->carriers($signal);
        // Where the house has a kind of cable for such a signal, no other kind is guessed.
        $fit = $ranks = [];
        $most = 0;
        foreach ($this->installation->catalogue->cables() as $cable) {
            $capacity =
                $cable->retired || ($families !== [] && ! isset($families[$cable->family]))
                    ? 0
                    : $proposer->capacity($cable, $signal);
            $most = max($most, $capacity);
            $line = $cable->impedance('') ?? $this->lineWithin($cable);
            if (
                $capacity < $count ||
                ($signal->impedance !== null &&
                    ($line === null || abs($line - $signal->impedance) > 0.12 * $signal->impedance))
            ) {
                continue;
            }
            $fit[$cable->id] = $cable;
            $ranks[$cable->id] = [
                $capacity,
                -($used[$cable->id] ?? 0),
                $cable->outerDiameter->nanometres,
            ];
        }
        if ($fit === []) {
            throw CannotPropose::unsaid(
                'cable',
                (string) $count,
                sprintf('The largest cable carries %d of %s. Say fewer, and add several runs.', $most, $signal->name),
            );
        }
        asort($ranks);
        $ids = array_keys($ranks);
        $best = $fit[$ids[0]];
        $runs = $used[$best->id] ?? 0;
        $this->understood[] = new Understood(
            'cable',
            $best->name,
            false,
            $runs > 0
                ? sprintf('carries it on %d %s here', $runs, $runs === 1 ? 'run' : 'runs')
                : sprintf('the smallest that carries %d of %s', $count, $signal->name),
            isset($ids[1]) ? $fit[$ids[1]]->name : '',
        );

        return $best;
    }

    /** @return array{array<int|string, int>, array<int|string, true>} cable → runs that carry it; their families */
    private function carriers(SignalType $signal): array
    {
        $used = $families = [];
        foreach ($this->installation->runs() as $run) {
            foreach ($run->carries as $carriage) {
                if (($this->installation->circuit($carriage->circuit)->signal ?? '') === $signal->id) {
                    $used[$run->cable][$run->id] = true;
                    $families[$this->installation->catalogue->cable($run->cable)->family ?? ''] = true;
                }
            }
        }

        return [array_map(count(...), $used), $families];
    }

    /** Of the first element that is a line. */
    private function lineWithin(CableType $cable): ?float
    {
        foreach ($cable->construction->children as $child) {
            $line = $cable->impedance($child->key);
            if ($line !== null) {
                return $line;
            }
        }

        return null;
    }

    /** One higher than the highest number with the same prefix. */
    private function code(string $prefix): string
    {
        $highest = 0;
        foreach ($this->installation->runs() as $run) {
            if (preg_match('~^'.preg_quote($prefix, '~').'-?(\d+)$~', $run->code, $m) === 1) {
                $highest = max($highest, (int) $m[1]);
            }
        }
        $code = sprintf('%s-%03d', $prefix, $highest === 0 ? 1 : $highest + 1);
        $this->understood[] = new Understood(
            'code',
            $code,
            false,
            $highest === 0 ? sprintf('the first of %s', $prefix) : sprintf('one more than %s-%03d', $prefix, $highest),
        );

        return $code;
    }

    private function build(string $cable): Build
    {
        foreach ($this->installation->runs() as $run) {
            if ($run->cable === $cable && ! $run->isLoose() && $run->build !== Build::Found) {
                return $run->build;
            }
        }

        return Build::Shop;
    }

    /** @param  list<Length>  $legs  that were said */
    private function end(
        string $location,
        Side $side,
        SignalType $signal,
        CableType $cable,
        array $legs,
    ): Termination {
        [$like, $because, $plans] = $this->habit($location, $side, $signal, $cable);
        if ($plans === []) {
            $because = sprintf('the first that carries %s; none ends here yet', $signal->name);
            $plans = $this->fitting($signal);
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

        return new Termination(
            $location,
            $plans,
            $like->tail ?? Length::metres(1),
            $like->slack ?? Length::millimetres(300),
            $like->preparation ?? Length::millimetres(40),
            $like->spares ?? 1,
            $legs[count($legs) - 1] ?? ($like !== null && $like->legs !== [] ? $like->legs[0]->length : Length::zero()),
            legs: $legs,
        );
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

    /**
     * How such a signal ends elsewhere: at the same place with the same cable, at the same place, on the same side.
     *
     * @return array{?End, string, list<string>} the end that serves as the pattern, which that is, and its plan and the
     *     one after it
     */
    private function habit(string $location, Side $side, SignalType $signal, CableType $cable): array
    {
        $like = null;
        $because = '';
        $most = 0;
        $scores = [];
        foreach ($this->installation->runs() as $run) {
            $carries = array_filter(
                $run->carries,
                fn ($carriage): bool => $signal->id ===
                    ($this->installation->circuit($carriage->circuit)->signal ?? ''),
            );
            foreach ($carries === [] || $run->isLoose() ? [] : Side::cases() as $at) {
                $end = $run->end($at);
                $plan = ($end->legs[0] ?? null)?->landing?->plan;
                $score =
                    ($end->location === $location ? 4 : 0) +
                    ($run->cable === $cable->id ? 3 : 0) +
                    ($at === $side ? 2 : 0);
                if ($plan === null || $score === 0 || $this->installation->catalogue->contactPlan($plan) === null) {
                    continue;
                }
                if ($score > $most) {
                    [$like, $because, $most] = [$end, sprintf('as %s ends at %s', $run->code, $at->value), $score];
                }
                $scores[$plan] = max($scores[$plan] ?? 0, $score);
            }
        }
        arsort($scores);

        return [$like, $because, array_map(strval(...), array_keys($scores))];
    }
}
