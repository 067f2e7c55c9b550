<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;

/** Which runs could leave a way that is too full, and which way they would go instead. */
final readonly class Relief
{
    /**
     * @param  array<int|string, Route>  $routes  by run
     * @param  array<int|string, WayLoad>  $loads  by way
     */
    public function __construct(
        private Installation $installation,
        private array $routes,
        private Router $router,
        private array $loads,
    ) {
    }

    /**
     * The fewest runs, and of those the ones that grow least, that bring a way under its limit; "" where there is no
     * other way.
     */
    public function words(WayLoad $load): string
    {
        $moves = $this->moves($load->way, $load->runs);
        $left = $load->runs;
        $moved = [];
        foreach ($moves as $move) {
            $moved[] = $move;
            $left = array_values(array_diff($left, [$move['run']]));
            $cables = LaidCables::among($this->installation, $left);
            $rule = FillRule::for($load->way, count($cables));
            $fill = Filling::fill($load->way, $cables);
            if ($rule === null || $fill === null || $fill->value <= $rule->design) {
                return 'Or move '.implode(', ', array_map($this->said(...), $moved)).'.';
            }
        }

        return '';
    }

    /**
     * Where these runs could go instead; "" where there is no other way.
     *
     * @param  list<string>  $runs
     */
    public function elsewhere(Way $way, array $runs): string
    {
        $moves = $this->moves($way, $runs);

        return count($moves) < count($runs) ? '' : 'Move '.implode(', ', array_map($this->said(...), $moves)).'.';
    }

    /**
     * @param  list<string>  $runs
     * @return list<array{run: string, hops: list<Hop>, more: Length, area: float}> thickest first, then by how much
     *     longer they get
     */
    private function moves(Way $way, array $runs): array
    {
        $moves = [];
        foreach ($runs as $id) {
            $run = $this->installation->theRun($id);
            $hops = $this->router->without($way, $run);
            if ($hops === null || ! $this->hasRoom($hops, $id)) {
                continue;
            }
            $moves[] = [
                'run' => $id,
                'hops' => $hops,
                'more' => (new Route($hops, false))->length()->minus($this->routes[$id]->length()),
                'area' => Filling::area(LaidCables::among($this->installation, [$id])),
            ];
        }
        usort(
            $moves,
            static fn (array $a, array $b): int => [$b['area'], $a['more']->nanometres, $a['run']] <=> [
                $a['area'],
                $b['more']->nanometres,
                $b['run'],
            ],
        );

        return $moves;
    }

    /** @param  list<Hop>  $hops */
    private function hasRoom(array $hops, string $run): bool
    {
        foreach ($hops as $hop) {
            $load = $this->loads[$hop->way->id];
            if ($this->routes[$run]->follows($hop->way->id)) {
                continue;
            }
            $cables = [...$load->cables, ...LaidCables::among($this->installation, [$run])];
            $fill = Filling::fill($hop->way, $cables);
            $rule = FillRule::for($hop->way, count($cables));
            if ($fill !== null && $rule !== null && $fill->value > $rule->design) {
                return false;
            }
        }

        return true;
    }

    /** @param  array{run: string, hops: list<Hop>, more: Length, area: float}  $move */
    private function said(array $move): string
    {
        $by = implode(' + ', array_map(static fn (Hop $hop): string => $hop->way->name, $move['hops']));

        return sprintf(
            '%s by %s (%s %s)',
            $this->installation->theRun($move['run'])->code,
            $by,
            $move['more']->isNegative() ? $move['more']->times(-1)->canonical() : $move['more']->canonical(),
            $move['more']->isNegative() ? 'shorter' : 'longer',
        );
    }
}
