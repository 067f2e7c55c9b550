<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Ways\Routing\Route;
use Sartal\Core\Ways\Routing\Router;

/** How all runs lie in the building: their ways, the shapes of their looms, their tails behind panels. */
final readonly class Layout
{
    /** @var array<int|string, Route> by run */
    public array $routes;

    /** @var array<int|string, LoomShape> by loom */
    public array $looms;

    /** @var array<int|string, Lay> by run */
    public array $lays;

    public Router $router;

    public PanelTails $tails;

    public PanelTrunks $trunks;

    public function __construct(Installation $installation)
    {
        $this->router = new Router($installation);
        $this->tails = new PanelTails($installation);
        $this->trunks = new PanelTrunks($installation);
        $this->routes = array_map($this->router->route(...), $installation->runs());
        $this->looms = self::shapes($installation, $this->routes);
        $lays = [];
        foreach ($installation->runs() as $id => $run) {
            $lays[$id] = $this->lay($run, $installation);
        }
        $this->lays = $lays;
    }

    /** @return list<string> runs that lie otherwise in another one, or at a panel whose trunks are dressed otherwise */
    public function moved(self $other): array
    {
        $moved = array_filter(
            $other->lays,
            fn (Lay $lay, int|string $run): bool => isset($this->lays[$run]) && $lay != $this->lays[$run],
            ARRAY_FILTER_USE_BOTH,
        );

        return array_values(array_unique([
            ...array_map(strval(...), array_keys($moved)),
            ...$this->trunks->turned($other->trunks),
        ]));
    }

    /** How one run would lie by itself, before it belongs to anything. */
    public static function alone(Run $run, Installation $installation): Lay
    {
        return new Lay((new Router($installation))->route($run));
    }

    /**
     * @param  array<int|string, Route>  $routes
     * @return array<int|string, LoomShape>
     */
    private static function shapes(Installation $installation, array $routes): array
    {
        $members = array_fill_keys(array_keys($installation->looms()), []);
        foreach ($installation->runs() as $run) {
            if (! $run->withdrawn && ! $run->isLoose() && $installation->loom($run->loom ?? '') !== null) {
                $members[$run->loom ?? ''][] = $run;
            }
        }
        $shapes = [];
        foreach ($installation->looms() as $id => $loom) {
            $shapes[$id] = LoomShaper::shape($loom, $members[$id], $routes, $installation);
        }

        return $shapes;
    }

    private function lay(Run $run, Installation $installation): Lay
    {
        $extra = [];
        $shape = $this->looms[$run->loom ?? ''] ?? null;
        foreach ($shape->detours[$run->id] ?? [] as $detour) {
            $extra[] = new Term(
                'breakout',
                sprintf('past %s and back', $installation->placeName($detour->at)),
                $detour->more,
                'loom '.($shape?->loom->name ?? ''),
            );
        }
        $tails = [];
        foreach (Side::cases() as $side) {
            $legs = $this->tails->legs($run, $side);
            if ($legs !== []) {
                $tails[$side->value] = $legs;
                array_push($extra, ...$this->tails->terms($run, $side));
            }
        }

        return new Lay($this->routes[$run->id], $extra, $tails);
    }
}
