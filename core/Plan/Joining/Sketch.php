<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Proposing\Proposal;

/** What is drawn on while gestures are made: an installation, and what of it has become another. */
final class Sketch
{
    private Installation $now;

    /** @var array<int|string, true> */
    private array $runs = [];

    /** @var array<int|string, true> */
    private array $fittings = [];

    /** @var array<int|string, true> */
    private array $circuits = [];

    /** @var array<int|string, true> */
    private array $panels = [];

    private bool $connected = false;

    public function __construct(private readonly Installation $was)
    {
        $this->now = $was;
    }

    /** As it was before anything was drawn. */
    public function was(): Installation
    {
        return $this->was;
    }

    public function now(): Installation
    {
        return $this->now;
    }

    /** @throws CannotJoin */
    public function run(RunEnd $at): Run
    {
        $run = $this->now->run($at->run) ?? throw CannotJoin::unknown('run', $at->run, 'run');

        return $run->withdrawn
            ? throw CannotJoin::because('run', $run->code, 'This run is withdrawn. Work on one that is built.')
            : $run;
    }

    /** @throws CannotJoin */
    public function end(RunEnd $at): End
    {
        return $this->run($at)->end($at->side);
    }

    /** @throws CannotJoin */
    public function cable(RunEnd $at): CableType
    {
        $run = $this->run($at);

        return $this->now->catalogue->cable($run->cable) ??
            throw CannotJoin::because('run', $run->code, 'Its cable type is unknown. Choose one for it first.');
    }

    public function pinout(RunEnd $at): EndPinout
    {
        return PinoutMaker::make($this->now, $this->run($at), $at->side, $this->cable($at));
    }

    public function put(RunEnd $at, End $end): void
    {
        $this->redraw($this->run($at)->withEnd($at->side, $end));
    }

    /** Lets an element carry a circuit of its own, which nothing else carries. */
    public function carry(RunEnd $at, string $element, string $signal): string
    {
        $run = $this->run($at);
        $id = FreeName::after(
            $run->id.'.c',
            fn (string $name): bool => $this->now->circuit($name) !== null,
            count($run->carries) + 1,
        );
        $label = $this->cable($at)->element($element)->label ?? $element;
        $this->now = $this->now->changed([
            'circuits' => $this->now->circuits() + [$id => new Circuit($id, trim($run->code.' '.$label), $signal)],
        ]);
        $this->circuits[$id] = true;
        $this->redraw($run->carrying([...$run->carries, new Carriage($element, $id)]));

        return $id;
    }

    /** A run that comes, with its connectors and circuits. */
    public function add(Proposal $proposal): void
    {
        foreach ($proposal->fittings as $fitting) {
            $this->putFitting($fitting);
        }
        foreach ($proposal->circuits as $circuit) {
            $this->putCircuit($circuit);
        }
        $this->redraw($proposal->run);
    }

    public function putCircuit(Circuit $circuit): void
    {
        $this->now = $this->now->changed([
            'circuits' => array_replace($this->now->circuits(), [$circuit->id => $circuit]),
        ]);
        $this->circuits[$circuit->id] = true;
    }

    /** A run carries, instead of its first circuit, one that comes from another run; its own is none then. */
    public function carryAlong(string $id, string $circuit): void
    {
        $run = $this->now->theRun($id);
        $own = $run->carries[0]->circuit ?? $circuit;
        if ($own === $circuit) {
            return;
        }
        $this->now = $this->now->changed(['circuits' => array_diff_key($this->now->circuits(), [$own => true])]);
        unset($this->circuits[$own]);
        $this->redraw($run->carrying([
            new Carriage($run->carries[0]->element, $circuit),
            ...array_slice($run->carries, 1),
        ]));
    }

    public function panel(Panel $panel): void
    {
        $this->now = $this->now->changed([
            'panels' => array_replace($this->now->panels(), [$panel->id => $panel]),
        ]);
        $this->panels[$panel->id] = true;
    }

    /** @return string an id that no panel has */
    public function freePanel(): string
    {
        return FreeName::after('panel-', fn (string $name): bool => isset($this->now->panels()[$name]));
    }

    private function redraw(Run $run): void
    {
        $this->now = $this->now->changed(['runs' => array_replace($this->now->runs(), [$run->id => $run])]);
        $this->runs[$run->id] = true;
    }

    /** @throws CannotJoin */
    public function fitting(string $id): Fitting
    {
        return $this->now->fitting($id) ?? throw CannotJoin::unknown('fitting', $id, 'connector');
    }

    /** @throws CannotJoin */
    public function layout(string $fitting): FittingLayout
    {
        $of = $this->fitting($fitting);

        return FittingLayout::unfolded($of, $this->now->catalogue) ??
            throw CannotJoin::because('fitting', $of->label, 'Its connector type is unknown. Choose one for it first.');
    }

    /** @throws CannotJoin */
    public function plan(string $id): ContactPlan
    {
        return $this->now->plan($id) ?? throw CannotJoin::unknown('plan', $id, 'contact plan');
    }

    public function putFitting(Fitting $fitting): void
    {
        $this->now = $this->now->changed([
            'fittings' => array_replace($this->now->fittings(), [$fitting->id => $fitting]),
        ]);
        $this->fittings[$fitting->id] = true;
    }

    /**
     * @param  RunEnd  $at  whose connector it is; it is named and placed after this end where nothing else is said
     * @return string its id
     *
     * @throws CannotJoin
     */
    public function bring(NewFitting $new, RunEnd $at): string
    {
        if ($this->now->catalogue->connector($new->connector) === null) {
            throw CannotJoin::unknown('connector', $new->connector, 'connector type');
        }
        if ($new->location !== '' && $this->now->location($new->location) === null) {
            throw CannotJoin::unknown('location', $new->location, 'place');
        }
        $run = $this->run($at);
        $stem = $run->id.'.'.strtolower($at->side->value);
        $id = FreeName::after($stem, fn (string $name): bool => $this->now->fitting($name) !== null);
        $this->putFitting(new Fitting(
            $id,
            $new->label !== '' ? $new->label : $this->label($run, $at, (int) substr($id, strlen($stem))),
            $new->connector,
            $new->location !== '' ? $new->location : $this->end($at)->location,
            $new->inserts,
        ));

        return $id;
    }

    private function label(Run $run, RunEnd $at, int $n): string
    {
        $taken = [];
        foreach ($run->fittings() as $id) {
            $taken[$this->now->fitting($id)->label ?? ''] = true;
        }
        $label = $run->code.' '.$at->side->value;

        return isset($taken[$label])
            ? FreeName::after($label.' ', static fn (string $name): bool => isset($taken[$name]), $n)
            : $label;
    }

    /**
     * A place that wires come to.
     *
     * @param  string  $at  "fitting/address" or "splice:id"
     *
     * @throws CannotJoin
     */
    public function place(string $at, string $field): string
    {
        $place = JoiningPlace::from($at);
        if ($place->isSplice()) {
            return in_array($place->splice, $this->now->splices(), true)
                ? $at
                : throw CannotJoin::unknown($field, $at, 'splice');
        }
        if (! $this->layout($place->fitting)->has($place->address)) {
            throw CannotJoin::because($field, $place->address, sprintf(
                '%s has no contact "%s". Choose one that it has.',
                $this->fitting($place->fitting)->label,
                $place->address,
            ));
        }

        return $at;
    }

    /** @return string "splice:id" of a new one */
    public function splice(): string
    {
        $id = FreeName::after('splice-', fn (string $name): bool => in_array($name, $this->now->splices(), true));
        $this->connections(['splices' => [...$this->now->splices(), $id]]);

        return JoiningPlace::splice($id)->text();
    }

    /** @param  list<Link>  $links */
    public function links(array $links): void
    {
        $this->connections(['links' => $links]);
    }

    /** @param  array<int|string, PanelSwitch>  $switches */
    public function switches(array $switches): void
    {
        $this->connections(['switches' => $switches]);
    }

    /** @param  list<string>  $splices */
    public function splices(array $splices): void
    {
        $this->connections(['splices' => $splices]);
    }

    /** @param  array<string, mixed>  $changes */
    private function connections(array $changes): void
    {
        $this->now = $this->now->changed($changes);
        $this->connected = true;
    }

    /** @return list<string> runs that are others now */
    public function redrawn(): array
    {
        return Names::from($this->runs);
    }

    /** What has come of it; connectors that nothing comes to any more go. */
    public function drawn(): Drawn
    {
        $this->clear();

        return new Drawn(
            $this->now,
            Names::from($this->runs),
            Names::from($this->fittings),
            Names::from($this->circuits),
            $this->connected,
            Names::from($this->panels),
        );
    }

    private function clear(): void
    {
        $among = $this->fittings;
        foreach (array_keys($this->runs) as $run) {
            $among += array_fill_keys($this->was->run($run)?->fittings() ?? [], true);
        }
        $clearing = Clearing::of($this->now, $among);
        if ($clearing !== null) {
            $this->now = $clearing->in;
            $this->fittings += $clearing->gone;
            $this->circuits += $clearing->circuits;
            $this->connected = $this->connected || $clearing->unplugged;
        }
    }
}
