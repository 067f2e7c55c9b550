<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Ways\Routing\Route;
use Sartal\Core\Ways\Routing\Router;

/**
 * Which runs may take other ways since some are otherwise, besides those that took them before. Of shortest paths
 * (E. W. Dijkstra, "A note on two problems in connexion with graphs", Numerische Mathematik 1, 1959) one takes a way
 * only where the distances from its two ends, and its length, come to no more than what was the shortest without it.
 */
final class WaysTaken
{
    private readonly Router $router;

    /** @var array<string, ?int> nm by place, place and what is let in */
    private array $far = [];

    /**
     * @param  Installation  $since  with the ways as they are since; its runs do not matter
     * @param  list<string>  $ways  ids of those that are otherwise
     */
    public function __construct(private readonly Installation $since, private readonly array $ways)
    {
        $this->router = new Router($since);
    }

    /**
     * @param  array<array-key, ?int>  $reaches  {@see Course} → nm of the ways that were found before; null: none
     * @return list<string> those of them for which others may be found
     */
    public function among(array $reaches): array
    {
        $ways = array_values(array_filter(array_map($this->since->way(...), $this->ways)));
        $found = [];
        foreach ($reaches as $text => $reach) {
            // Of what finds no way it is said why, and that may be any of them.
            $may = $reach === null || $this->isWithin($reach, Course::read((string) $text), $ways);
            array_push($found, ...$may ? [(string) $text] : []);
        }

        return $found;
    }

    /** @param  list<Way>  $ways */
    private function isWithin(int $reach, Course $course, array $ways): bool
    {
        $cargo = $this->router->carried($course->cable);
        foreach ($ways as $way) {
            if (! $way->joins() || $this->router->refusal($way, $cargo) !== null) {
                continue;
            }
            foreach ([[$way->from, $way->to], [$way->to, $way->from]] as [$near, $far]) {
                $here = $this->far($near, $course->from, $cargo);
                $there = $this->far($far, $course->to, $cargo);
                if ($here !== null && $there !== null && $here + $way->length->nanometres + $there <= $reach) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return ?int nm; null where it cannot be come to */
    private function far(string $from, string $to, ?Cargo $cargo): ?int
    {
        $key = implode("\n", [$from, $to, $cargo?->key() ?? '']);
        if (! array_key_exists($key, $this->far)) {
            $hops = $this->router->shortest($from, $to, $cargo);
            $this->far[$key] = $hops === null ? null : (new Route($hops, false))->length()->nanometres;
        }

        return $this->far[$key];
    }
}
