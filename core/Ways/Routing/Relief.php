<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;

/** Which runs could leave a way that is too full, and which way they would go instead. */
final class Relief
{
    /** @var array<int|string, float> mm² of what lies in each way */
    private array $areas = [];

    /**
     * @param  array<int|string, Route>  $routes  by run
     */
    public function __construct(
        private readonly Installation $installation,
        private readonly array $routes,
        private readonly Router $router,
        private readonly WayLoads $loads,
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
            $fill = Filling::share($load->way, Filling::area($cables));
            if ($rule === null || $fill === null || $fill <= $rule->design) {
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
        $more = LaidCables::among($this->installation, [$run]);
        foreach ($hops as $hop) {
            $id = $hop->way->id;
            if ($this->routes[$run]->follows($id)) {
                continue;
            }
            $this->areas[$id] ??= Filling::area($this->loads->of($id)->cables);
            $fill = Filling::share($hop->way, $this->areas[$id] + Filling::area($more));
            $rule = FillRule::for($hop->way, count($this->loads->of($id)->cables) + count($more));
            if ($fill !== null && $rule !== null && $fill > $rule->design) {
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
