<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Runs\RunPlans;

/** Every contact of every fitting against everything that arrives there, from whichever run. */
final class FittingChecks implements NeighbourCheck
{
    /** @var ?array<int|string, int> node → wires of links and switches on it */
    private ?array $jumpers = null;

    public function __construct(private readonly Installation $installation)
    {
    }

    public function of(Neighbourhood $near, RunPlans $runs): array
    {
        $installation = $this->installation;
        $arriving = [];
        foreach ($runs as $plan) {
            if ($installation->theRun($plan->run)->withdrawn) {
                continue;
            }
            foreach ($plan->joints() as $joint) {
                $fitting = Node::fitting($joint->to);
                if ($fitting !== null) {
                    $arriving[$fitting][] = $joint;
                }
            }
        }
        $findings = [];
        $this->jumpers ??= self::jumpers($installation);
        foreach ($arriving as $id => $joints) {
            $fitting = $installation->fitting($id);
            $layout = $fitting === null ? null : FittingLayout::unfolded($fitting, $installation->catalogue);
            if ($fitting === null) {
                continue;
            }
            if ($layout === null) {
                $findings[] = Finding::stop(
                    'fitting.unknown-connector',
                    Subject::fitting((string) $id),
                    sprintf('%s is of connector type "%s", which is unknown.', $fitting->label, $fitting->connector),
                    'Choose a connector from the catalogue.',
                );

                continue;
            }
            array_push($findings, ...self::choices($fitting, $layout, $installation));
            foreach ($layout->unfit as $words) {
                $findings[] = Finding::stop(
                    'fitting.insert',
                    Subject::fitting((string) $id),
                    $fitting->label.': '.$words.'.',
                    'Choose an insert of the family that the bay takes.',
                );
            }
            array_push(
                $findings,
                ...self::contacts($fitting, $layout, $joints, $this->jumpers, $installation),
                ...self::functions($fitting, $joints),
            );
        }

        return $findings;
    }

    /**
     * What was chosen for the fitting against what its connector offers.
     *
     * @return list<Finding>
     */
    private static function choices(Fitting $fitting, FittingLayout $layout, Installation $installation): array
    {
        $findings = [];
        $side = $layout->types['']->cable;
        $subject = Subject::fitting($fitting->id);
        if ($fitting->exit !== '' && $side->exit($fitting->exit)?->name !== $fitting->exit) {
            $findings[] = Finding::stop(
                'fitting.exit',
                $subject,
                sprintf('The cable is to leave %s at "%s", where it has no exit.', $fitting->label, $fitting->exit),
                'Choose an exit that the hood has.',
            );
        }
        if ($fitting->clocking !== null && ! in_array($fitting->clocking, $side->clocking, true)) {
            $findings[] = Finding::stop(
                'fitting.clocking',
                $subject,
                sprintf('%s is to point to %d°, which its connector cannot.', $fitting->label, $fitting->clocking),
                $side->clocking === []
                    ? 'Leave it out: this connector points nowhere.'
                    : 'Choose one of '.implode(', ', $side->clocking).' degrees.',
            );
        }
        foreach ($fitting->parts as $id) {
            if ($installation->catalogue->part($id) === null) {
                $findings[] = Finding::stop(
                    'fitting.unknown-part',
                    $subject,
                    sprintf('Part "%s" is chosen for %s, and is unknown.', $id, $fitting->label),
                    'Choose a part from the catalogue.',
                );
            } elseif (! self::takes($layout, $installation->catalogue->thePart($id), $installation)) {
                $part = $installation->catalogue->thePart($id);
                $findings[] = Finding::check(
                    'fitting.part-not-taken',
                    $subject,
                    sprintf('%s is chosen for %s, and nothing there takes a %s.', $part->name, $fitting->label, strtr(
                        $part->kind->value,
                        '-',
                        ' ',
                    )),
                    'Take it out, or choose a connector that has one.',
                );
            }
        }

        return $findings;
    }

    /** Whether a part of this kind comes on the connector, or on one of its inserts, at all. */
    private static function takes(FittingLayout $layout, Part $part, Installation $installation): bool
    {
        if ($part->kind->isChosenFromAll()) {
            return true;
        }
        foreach ($layout->types as $type) {
            foreach ($type->cable->parts() as $id) {
                if ($installation->catalogue->part($id)?->kind === $part->kind) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<Finding> what no cable has to be joined for */
    public static function plans(Installation $installation): array
    {
        $findings = [];
        foreach ($installation->catalogue->plans() as $plan) {
            foreach ($plan->collisions() as $address => $claims) {
                $findings[] = Finding::stop(
                    'plan.contact-twice',
                    Subject::plan($plan->id),
                    sprintf(
                        'Contact %s of plan "%s" is claimed by %s.',
                        $address,
                        $plan->name,
                        implode(' and ', $claims),
                    ),
                    'Give each function a contact of its own.',
                );
            }
        }

        return $findings;
    }

    /**
     * @param  list<Joint>  $joints
     * @param  array<int|string, int>  $jumpers
     * @return list<Finding>
     */
    private static function contacts(
        Fitting $fitting,
        FittingLayout $layout,
        array $joints,
        array $jumpers,
        Installation $installation,
    ): array {
        $findings = [];
        $domain = $installation->catalogue->theConnector($fitting->connector)->domain;
        $at = [];
        foreach ($joints as $joint) {
            $at[$joint->address()][] = $joint;
        }
        foreach ($at as $address => $meeting) {
            $address = (string) $address;
            $first = $meeting[0];
            $subject = Subject::run($first->run);
            if (! $layout->has($address)) {
                $findings[] = Finding::stop(
                    'contact.unknown',
                    $subject,
                    sprintf('%s has no contact %s.', $fitting->label, $address),
                    'Choose a contact that the connector has.',
                );

                continue;
            }
            foreach ($meeting as $joint) {
                $own = self::domain($joint, $installation);
                if ($own !== null && $own !== $domain) {
                    $findings[] = Finding::stop(
                        'contact.hazard',
                        Subject::run($joint->run),
                        sprintf(
                            'A %s conductor lands on contact %s of %s, which is a %s connector.',
                            $own->value,
                            $address,
                            $fitting->label,
                            $domain->value,
                        ),
                        'Keep mains and signal in fittings of their own.',
                    );
                }
            }
            $serving = array_unique(
                array_map(static fn (Joint $joint): string => self::serving($joint, $installation), $meeting),
            );
            $runs = array_unique(
                array_map(static fn (Joint $joint): string => $joint->run.$joint->side->value, $meeting),
            );
            $declared = in_array($address, $fitting->shared, true);
            if (count($serving) > 1 && ! $declared) {
                $findings[] = Finding::stop(
                    'contact.two-functions',
                    $subject,
                    sprintf('Contact %s of %s has %s.', $address, $fitting->label, implode(' and ', $serving)),
                    'Move one of them, or declare the contact as shared.',
                );
            } elseif (count($runs) > 1 && ! $declared) {
                $findings[] = Finding::stop(
                    'contact.shared-undeclared',
                    $subject,
                    sprintf(
                        '%d cable ends meet on contact %s of %s, which is not declared as shared.',
                        count($runs),
                        $address,
                        $fitting->label,
                    ),
                    'Declare the contact as shared, or land one of them elsewhere.',
                );
            }
            $terminal = $layout->terminal($address);
            $copper = count($runs) > 1 ? self::copper($meeting, $installation) : 0.0;
            if ($terminal !== null && $terminal->gauge->isTooThick($copper)) {
                $findings[] = Finding::stop(
                    'contact.too-much-copper',
                    $subject,
                    sprintf(
                        'The wires on contact %s of %s are %.2f mm² together; it takes %s.',
                        $address,
                        $fitting->label,
                        $copper,
                        $terminal->gauge->text(),
                    ),
                    'Join them in a splice and take one wire to the contact.',
                );
            }
            $wires = count($meeting) + ($jumpers[Node::terminal($fitting->id, $address)] ?? 0);
            if ($wires > $layout->wires($address) && ! self::isDrainWithEarth($meeting, $wires, $installation)) {
                $findings[] = Finding::stop(
                    'contact.too-many-wires',
                    $subject,
                    sprintf(
                        'Contact %s of %s gets %d wires and takes %d.',
                        $address,
                        $fitting->label,
                        $wires,
                        $layout->wires($address),
                    ),
                    'Join them in a splice first, or use another contact.',
                );
            }
        }

        return $findings;
    }

    /**
     * Whether those that meet are looked at as what they are (MainsDrainChecks).
     *
     * @param  list<Joint>  $meeting
     */
    private static function isDrainWithEarth(array $meeting, int $wires, Installation $installation): bool
    {
        foreach ($wires === 2 ? $meeting : [] as $joint) {
            if (self::conductor($joint, $installation)?->isMainsDrain() === true) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Finding>
     */
    private static function functions(Fitting $fitting, array $joints): array
    {
        $places = [];
        foreach ($joints as $joint) {
            if ($joint->function !== '') {
                $places[$joint->run."\0".$joint->channel."\0".$joint->function][$joint->address()] = $joint;
            }
        }
        $findings = [];
        foreach ($places as $contacts) {
            if (count($contacts) > 1) {
                $joint = reset($contacts);
                $findings[] = Finding::stop(
                    'function.on-two-contacts',
                    Subject::run($joint->run),
                    sprintf(
                        'Channel %s %s sits on contacts %s of %s.',
                        $joint->channel,
                        $joint->function,
                        implode(' and ', array_keys($contacts)),
                        $fitting->label,
                    ),
                    'Keep one contact for it.',
                );
            }
        }

        return $findings;
    }

    /** @return array<int|string, int> node → wires of links and switches on it */
    private static function jumpers(Installation $installation): array
    {
        $wires = [];
        foreach ([...$installation->links(), ...array_values($installation->switches())] as $between) {
            foreach ([$between->from, $between->to] as $end) {
                $node = Node::named($end);
                $wires[$node] = ($wires[$node] ?? 0) + 1;
            }
        }

        return $wires;
    }

    /** @param  list<Joint>  $joints */
    private static function copper(array $joints, Installation $installation): float
    {
        $area = 0.0;
        foreach ($joints as $joint) {
            $conductor = self::conductor($joint, $installation);
            $area += $conductor === null || $conductor->isBare() ? 0.0 : $conductor->gauge->area;
        }

        return $area;
    }

    /** What comes to a contact; a conductor that no plan has a function for is named itself. */
    private static function serving(Joint $joint, Installation $installation): string
    {
        if ($joint->function !== '') {
            return 'the '.$joint->function.($joint->channel === '' ? '' : ' of channel '.$joint->channel);
        }

        return sprintf(
            'the %s of %s, which serves nothing by the plan',
            self::conductor($joint, $installation)->element->label ?? $joint->conductor,
            $installation->theRun($joint->run)->code,
        );
    }

    private static function conductor(Joint $joint, Installation $installation): ?Conductor
    {
        $cable = $installation->catalogue->cable($installation->theRun($joint->run)->cable);

        return $cable?->conductors()[$joint->conductor] ?? null;
    }

    private static function domain(Joint $joint, Installation $installation): ?HazardDomain
    {
        return self::conductor($joint, $installation)?->domain;
    }
}
