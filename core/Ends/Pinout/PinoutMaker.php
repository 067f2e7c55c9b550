<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ShellBond;

/**
 * Circuits + contact plans + house rules → joints. An exception made by hand
 * replaces the joint it speaks of and stays visible as one.
 */
final class PinoutMaker
{
    /** @var array<int|string, Joint> by joint id */
    private array $joints = [];

    /** @var array<int|string, string> conductor → why nothing derived it */
    private array $left = [];

    /** @var list<Finding> */
    private array $findings = [];

    /** @var ?array<array-key, list<Leg>> element → legs of this end that hold it */
    private ?array $legs = null;

    private function __construct(
        private readonly Installation $installation,
        private readonly Run $run,
        private readonly Side $side,
        private readonly CableType $cable,
        private readonly ConductorChoice $choice,
    ) {
    }

    public static function make(Installation $installation, Run $run, Side $side, CableType $cable): EndPinout
    {
        $choice = ConductorChoice::under($cable, $installation->rulesFor($run));
        $rule = new self($installation, $run, $side, $cable, $choice);

        return $rule->work($run->end($side));
    }

    private function work(End $end): EndPinout
    {
        foreach ($this->run->carries as $carriage) {
            $this->carry($carriage, $end);
        }
        $this->except($end);

        return new EndPinout(array_values($this->joints), $this->unused($end), $this->findings);
    }

    private function carry(Carriage $carriage, End $end): void
    {
        $circuit = $this->installation->circuit($carriage->circuit);
        $signal = $circuit === null ? null : $this->installation->catalogue->signal($circuit->signal);
        if ($signal === null || $this->cable->element($carriage->element) === null) {
            $this->findings[] = Finding::stop(
                'carriage.unknown',
                Subject::run($this->run->id),
                sprintf(
                    '%s carries "%s" on "%s", and one of the two is unknown.',
                    $this->run->code,
                    $carriage->circuit,
                    $carriage->element,
                ),
                'Choose a circuit and an element that exist.',
            );

            return;
        }
        foreach ($this->choice->displaced($carriage->element) as $bare) {
            $this->left[$bare->path] = 'the drain alone serves (house rule)';
        }
        foreach ($signal->functions as $function) {
            $conductors = $this->choice->for($carriage->element, $function, $signal->colourRule);
            if ($conductors === []) {
                $this->missing($function, $carriage, $signal->name);
            }
            if ($this->isLeftOpen($signal, $function)) {
                foreach ($conductors as $conductor) {
                    $this->left[$conductor->path] = 'the screen stays open at this end (house rule)';
                }

                continue;
            }
            foreach ($conductors as $conductor) {
                $this->land($conductor, $function, $carriage, $end);
            }
        }
    }

    private function isLeftOpen(SignalType $signal, SignalFunction $function): bool
    {
        return $signal->telescopes &&
            $function->pole === SignalFunction::SCREEN &&
            $this->side === Side::B &&
            $this->installation->rulesFor($this->run)->on(ShellBond::class) === ShellBond::OneEnd;
    }

    private function missing(SignalFunction $function, Carriage $carriage, string $signal): void
    {
        if ($function->required && $this->side === Side::A) {
            $this->findings[] = Finding::stop(
                'function.no-conductor',
                Subject::run($this->run->id),
                sprintf(
                    '%s needs a conductor for %s, and %s has none in "%s".',
                    $signal,
                    $function->name,
                    $this->cable->name,
                    $carriage->element === '' ? 'the whole cable' : $carriage->element,
                ),
                'Choose a cable type that has it, or let another element carry the circuit.',
            );
        }
    }

    private function land(Conductor $conductor, SignalFunction $function, Carriage $carriage, End $end): void
    {
        foreach ($this->legsOf($end, $conductor->path) as $leg) {
            $landing = $leg->landing;
            if ($landing === null) {
                continue;
            }
            $channel = $landing->channels[$carriage->element] ?? null;
            $plan = $this->installation->plan($landing->plan);
            $address = $channel === null ? null : $plan?->address((string) $channel, $function->name);
            if ($address === null) {
                $this->left[$conductor->path] =
                    $channel === null
                        ? sprintf('leg %s has no channel for it', $leg->label)
                        : sprintf('the plan has no contact for %s', $function->name);

                continue;
            }
            $this->join($conductor, $leg, $landing, $address, $function->name, (string) $channel, $carriage->circuit);
        }
    }

    private function join(
        Conductor $conductor,
        Leg $leg,
        Landing $landing,
        string $address,
        string $function,
        string $channel,
        string $circuit,
    ): void {
        $joint = new Joint(
            $this->run->id,
            $this->side,
            $leg->id,
            $conductor->path,
            Node::terminal($landing->fitting, $address),
            $function,
            $channel,
            $circuit,
        );
        $this->joints[$joint->id()] = $joint;
    }

    /** Lays the joints made by hand over the derived ones. */
    private function except(End $end): void
    {
        if ($end->handJoints === []) {
            return;
        }
        $conductors = $this->cable->conductors();
        $drains = array_fill_keys(
            array_map(static fn (Conductor $drain): string => $drain->path, $this->cable->mainsDrains()),
            true,
        );
        $isDrain = static fn (HandJoint $joint): bool => isset($drains[$joint->conductor]);
        // What a drain is laid with has to be where it goes before: no order in which they were said counts.
        $exceptions = [
            ...array_filter($end->handJoints, static fn (HandJoint $joint): bool => ! $isDrain($joint)),
            ...array_filter($end->handJoints, $isDrain),
        ];
        foreach ($exceptions as $exception) {
            $path = $exception->conductor;
            if (! isset($conductors[$path])) {
                $this->findings[] = Finding::stop(
                    'exception.unknown-conductor',
                    Subject::run($this->run->id),
                    sprintf(
                        'An exception at end %s of %s speaks of "%s", which %s does not have.',
                        $this->side->value,
                        $this->run->code,
                        $path,
                        $this->cable->name,
                    ),
                    'Name a conductor of the cable, or remove the exception.',
                );

                continue;
            }
            $derived = null;
            foreach ($this->joints as $id => $joint) {
                if ($joint->conductor === $path) {
                    $derived ??= $joint;
                    unset($this->joints[$id]);
                }
            }
            $this->left[$path] = $exception->reason;
            if ($exception->to !== null) {
                $to = Node::named($exception->to);
                $serving = $derived ?? $this->protective($path, $to);
                $joint = new Joint(
                    $this->run->id,
                    $this->side,
                    $derived->leg ?? $this->legOf($end, $path),
                    $path,
                    $to,
                    $serving->function ?? '',
                    $serving->channel ?? '',
                    $serving->circuit ?? '',
                    $exception->reason,
                );
                $this->joints[$joint->id()] = $joint;
            }
        }
    }

    /** The protective earth that the drain of a mains element is laid with: it is earth from there on. */
    private function protective(string $conductor, string $to): ?Joint
    {
        if (($this->cable->conductors()[$conductor] ?? null)?->isMainsDrain() !== true) {
            return null;
        }
        foreach ($this->joints as $joint) {
            $signal = $this->installation->circuit($joint->circuit)->signal ?? '';
            $isProtective = $this->installation->catalogue->signal($signal)?->isProtective($joint->function) === true;
            if ($joint->to === $to && $isProtective) {
                return $joint;
            }
        }

        return null;
    }

    private function legOf(End $end, string $path): string
    {
        return ($this->legsOf($end, $path)[0] ?? null)->id ?? '';
    }

    /**
     * The legs that hold a conductor: by itself, or by an element around it.
     *
     * @return list<Leg>
     */
    private function legsOf(End $end, string $path): array
    {
        if ($this->legs === null) {
            $this->legs = [];
            foreach ($end->legs as $leg) {
                foreach (array_unique($leg->elements) as $element) {
                    $this->legs[$element][] = $leg;
                }
            }
        }
        $legs = $this->legs[''] ?? [];
        for ($slash = strpos($path, '/'); $slash !== false; $slash = strpos($path, '/', $slash + 1)) {
            array_push($legs, ...$this->legs[substr($path, 0, $slash)] ?? []);
        }
        array_push($legs, ...$this->legs[$path] ?? []);

        return $legs;
    }

    /** @return list<Unused> */
    private function unused(End $end): array
    {
        $joined = [];
        foreach ($this->joints as $joint) {
            $joined[$joint->conductor] = true;
        }
        $unused = [];
        foreach ($this->cable->conductors() as $path => $conductor) {
            $path = (string) $path;
            if (! isset($joined[$path])) {
                $unused[] = new Unused(
                    $path,
                    self::stated($end, $path) ?? ($this->left[$path] ?? $this->spare($conductor)),
                );
            }
        }

        return $unused;
    }

    /** The reason that a person gave for this conductor or for an element around it. */
    private static function stated(End $end, string $path): ?string
    {
        foreach ($end->unused as $element => $reason) {
            if (ElementPath::isWithin($path, (string) $element)) {
                return $reason;
            }
        }

        return null;
    }

    private function spare(Conductor $conductor): string
    {
        return $conductor->isBare() ? 'no function asks for this screen' : 'spare: carries no circuit';
    }
}
