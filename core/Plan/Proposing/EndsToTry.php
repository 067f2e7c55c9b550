<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Ends\Compatibility\Fit;
use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Opening\EndOpener;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;

/**
 * Ends that a procedure would make, to try it on before it is saved: those that the installation has, one of each
 * cable in each connector, and others of its catalogue.
 */
final readonly class EndsToTry
{
    /** Of the installation, that are looked for. */
    private const HERE = 8;

    /** In all. */
    private const MOST = 16;

    /** Pairs of cable and connector that are proposed, at most, until there are enough. */
    private const PROPOSED = 60;

    private Installation $in;

    private MakingProcedure $procedure;

    /** @var array<int|string, true> connectors that it may be for, by id */
    private array $connectors;

    /** @param  MakingProcedure  $procedure  instead of the one that is called the same, or beside all others */
    public function __construct(MakingProcedure $procedure, Installation $installation)
    {
        // Of a copy that says no connector yet, wherever what it is of is named.
        $this->procedure = $procedure = $procedure->connectors === []
            ? $procedure->in(self::naming($procedure, $installation->catalogue))
            : $procedure;
        $this->in = $installation->withCatalogue(
            // Before all others that are followed instead of the same: it is this one that is tried.
            (new Catalogue(procedures: [$procedure->id => $procedure]))->plus($installation->catalogue),
        );
        $this->connectors = self::connectors($procedure, $this->in->catalogue);
    }

    /** @return list<TriedEnd> those first that most of its steps are for */
    public function all(): array
    {
        $seen = [];
        $here = $this->here($seen);
        $more = $this->procedure->legs === [] ? $this->proposed($seen, self::MOST - count($here)) : [];
        $ends = [...$here, ...$more];
        usort(
            $ends,
            static fn (TriedEnd $a, TriedEnd $b): int => count($b->made->made->steps) <=> count($a->made->made->steps),
        );

        return $ends;
    }

    /**
     * @param  array<string, true>  $seen  cable and connector
     * @return list<TriedEnd>
     */
    private function here(array &$seen): array
    {
        $found = [];
        foreach ($this->in->runs() as $run) {
            if (count($found) >= self::HERE) {
                break;
            }
            foreach (Side::cases() as $side) {
                $key = $this->key($run, $side);
                if ($key === '' || isset($seen[$key])) {
                    continue;
                }
                $made = $this->made($run, $side, $this->in);
                if ($made !== null) {
                    $seen[$key] = true;
                    $found[] = new TriedEnd(
                        sprintf('%s end %s', $run->code, $side->value),
                        $this->in->catalogue->theCable($run->cable),
                        $made,
                        true,
                    );
                }
            }
        }

        return $found;
    }

    /** Of what the end is, where the procedure may be for it; "" where it is for none of its connectors. */
    private function key(Run $run, Side $side): string
    {
        $legs = $run->end($side)->legs;
        if ($this->procedure->legs !== []) {
            return count($legs) > 1 ? $run->cable : '';
        }
        $types = array_filter(
            array_unique(array_merge(...array_map($this->typesAt(...), $legs), ...[[]])),
            $this->mayBeFor(...),
        );

        return $types === [] ? '' : $run->cable.' '.implode(' ', $types);
    }

    /** @return list<string> the connector that a leg goes to, and what is in it */
    private function typesAt(Leg $leg): array
    {
        $fitting = $this->in->fitting($leg->landing->fitting ?? '');

        return $fitting === null ? [] : [$fitting->connector, ...array_values($fitting->inserts)];
    }

    private function mayBeFor(string $connector): bool
    {
        return isset($this->connectors[$connector]);
    }

    /** @return list<string> connectors that name one of those that it is followed instead of */
    private static function naming(MakingProcedure $procedure, Catalogue $catalogue): array
    {
        $naming = [];
        foreach ($catalogue->connectors() as $id => $type) {
            $isNamed = array_intersect($type->cable->procedures, $procedure->insteadOf) !== [];
            array_push($naming, ...$isNamed ? [(string) $id] : []);
        }

        return $naming;
    }

    /** @return array<int|string, true> connectors that it may be for, by id */
    private static function connectors(MakingProcedure $procedure, Catalogue $catalogue): array
    {
        $connectors = [];
        foreach ($catalogue->connectors() as $id => $type) {
            if (self::preparations($procedure, $type) !== []) {
                $connectors[$id] = true;
            }
        }

        return $connectors;
    }

    /** @return array<int|string, string> how cables prepare whose ends it would make in a connector → what names it */
    private static function preparations(MakingProcedure $procedure, ConnectorType $type): array
    {
        return array_filter(
            $type->cable->procedures,
            static fn (string $named): bool => $named === $procedure->id || $procedure->isInsteadOf($named, $type->id),
        );
    }

    /** As the procedure makes it; null where another one does. */
    private function made(Run $run, Side $side, Installation $in): ?MadeEnd
    {
        $cable = $in->catalogue->cable($run->cable);
        if ($cable === null) {
            return null;
        }
        $joints = PinoutMaker::make($in, $run, $side, $cable)->joints;
        $fittings = (new EndMaker($in))->of($run, $side, $cable, $joints);
        if ($this->procedure->legs !== []) {
            $opened = (new EndOpener($in))->of($run, $side, $cable, $fittings)?->made;

            return $opened?->procedure->id === $this->procedure->id ? $opened : null;
        }
        foreach ($fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                if ($leg->made?->procedure->id === $this->procedure->id && Fit::judge($leg->fit) === []) {
                    return $leg->made;
                }
            }
        }

        return null;
    }

    /**
     * @param  array<string, true>  $seen
     * @return list<TriedEnd>
     */
    private function proposed(array $seen, int $most): array
    {
        $found = [];
        $tries = 0;
        foreach ($this->pairs() as [$cable, $plan, $signal]) {
            if (count($found) >= $most || $tries >= self::PROPOSED) {
                break;
            }
            $type = $this->in->catalogue->theConnector($plan->connector);
            if (isset($seen[$cable->id.' '.$type->id])) {
                continue;
            }
            $tries++;
            $made = $this->tried($cable, $plan, $signal);
            if ($made !== null) {
                $seen[$cable->id.' '.$type->id] = true;
                $found[] = new TriedEnd(sprintf('%s → %s', $cable->name, $type->name), $cable, $made, false);
            }
        }

        return $found;
    }

    /**
     * Cables in connectors that name the procedure for them: first each connector with one cable, then
     * with the next.
     *
     * @return iterable<array{CableType, ContactPlan, SignalType}>
     */
    private function pairs(): iterable
    {
        $byConnector = [];
        foreach ($this->plans() as $plan) {
            $types = $this->meant($plan);
            $signal = $this->signal($plan);
            if ($signal !== null && ! isset($byConnector[$plan->connector])) {
                $byConnector[$plan->connector] = array_map(
                    static fn (CableType $cable): array => [$cable, $plan, $signal],
                    $this->cables($types),
                );
            }
        }
        for ($i = 0, $more = true; $more; $i++) {
            $more = false;
            foreach ($byConnector as $pairs) {
                if (isset($pairs[$i])) {
                    $more = true;
                    yield $pairs[$i];
                }
            }
        }
    }

    /**
     * @return list<ContactPlan> of connectors that it may be for; of a block those first that hold nothing else, whose
     *     signal is the one that goes there
     */
    private function plans(): array
    {
        $plans = array_values(array_filter(
            $this->in->catalogue->plans(),
            fn (ContactPlan $plan): bool => $plan->byScheme === [] && $this->meant($plan) !== [],
        ));
        $others = fn (ContactPlan $plan): int => count($plan->inserts) - count($this->meant($plan));
        usort($plans, static fn (ContactPlan $a, ContactPlan $b): int => $others($a) <=> $others($b));

        return $plans;
    }

    /** @return list<string> the plan's connector and what is in it, where the procedure may be for that */
    private function meant(ContactPlan $plan): array
    {
        return array_values(
            array_filter([$plan->connector, ...array_values($plan->inserts)], $this->mayBeFor(...)),
        );
    }

    /**
     * @param  list<string>  $connectors
     * @return list<CableType> whose ends the procedure would make in one of them
     */
    private function cables(array $connectors): array
    {
        $prepares = [];
        foreach ($connectors as $id) {
            $prepares += self::preparations($this->procedure, $this->in->catalogue->theConnector($id));
        }

        return array_values(array_filter(
            $this->in->catalogue->cables(),
            static fn (CableType $cable): bool => isset($prepares[$cable->prepares('')]) ||
                isset($prepares[$cable->prepares($cable->construction->children[0]->key ?? '')]),
        ));
    }

    private function tried(CableType $cable, ContactPlan $plan, SignalType $signal): ?MadeEnd
    {
        $end = static fn (string $at, string ...$plans): Termination => new Termination(
            $at,
            array_values($plans),
            Length::metres(1),
            Length::zero(),
            Length::zero(),
            0,
            Length::millimetres(300),
        );
        $request = new RunRequest(
            'trial',
            'Trial',
            $cable->id,
            [$signal->id],
            Build::Shop,
            $end('a', $plan->id),
            $end('b'),
            [],
        );
        try {
            $proposal = (new Proposer($this->in->catalogue))->propose($request);
        } catch (CannotPropose) {
            return null;
        }
        $in = new Installation(
            'trial',
            'Trial',
            $this->in->rules(),
            $this->in->catalogue,
            ['a' => new Location('a', 'A'), 'b' => new Location('b', 'B')],
            circuits: $proposal->circuits,
            fittings: $proposal->fittings,
            runs: [$proposal->run->id => $proposal->run],
        );

        return $this->made($proposal->run, Side::A, $in);
    }

    /** The first signal all of whose functions the plan has a place for. */
    private function signal(ContactPlan $plan): ?SignalType
    {
        $has = array_keys(array_merge(...array_values($plan->channels), ...[[]]));
        foreach ($this->in->catalogue->signals() as $signal) {
            $needed = array_map(
                static fn (SignalFunction $function): string => $function->name,
                array_filter($signal->functions, static fn (SignalFunction $function): bool => $function->required),
            );
            if ($needed !== [] && array_diff($needed, array_map(strval(...), $has)) === []) {
                return $signal;
            }
        }

        return null;
    }
}
