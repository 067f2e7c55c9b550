<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Ends\Preparing\DrainWithEarth;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/**
 * The drain of a cable's mains element goes with protective earth, or is left off, at both ends in one go. Where it
 * may not go with earth at one of them, it does at none.
 */
final readonly class EarthDrain implements Gesture
{
    public const REASON = 'with protective earth, in one ferrule that is rated for both';

    /** @param  string  $left  why it is left off, as the sheet prints it; "": it goes with earth */
    public function __construct(private string $run, private string $left = '')
    {
    }

    public function draw(Sketch $on): void
    {
        $cable = $on->cable(new RunEnd($this->run, Side::A));
        $drains = $cable->mainsDrains();
        if ($drains === []) {
            throw CannotJoin::because('run', $cable->name, 'This cable has no mains element with a drain.');
        }
        if ($this->left !== '') {
            $this->leave($on, $drains);

            return;
        }
        $refused = $this->against($on);
        if ($refused !== []) {
            throw CannotJoin::because('run', $on->run(new RunEnd($this->run, Side::A))->code, implode(' ', $refused));
        }
        foreach ($this->places($on, $drains) as [$at, $joints]) {
            $end = Hands::unsaid($on->end($at), array_map(strval(...), array_keys($joints)));
            foreach ($joints as $drain => $to) {
                $end = $end->joinedByHand((string) $drain, new HandJoint((string) $drain, $to, self::REASON));
            }
            $on->put($at, $end);
        }
    }

    public function words(Installation $in): string
    {
        return sprintf(
            '%s: drain of mains %s, at both ends',
            $in->run($this->run)->code ?? $this->run,
            $this->left === '' ? 'with protective earth' : $this->left,
        );
    }

    /** @param  list<Conductor>  $drains */
    private function leave(Sketch $on, array $drains): void
    {
        $paths = array_map(static fn (Conductor $drain): string => $drain->path, $drains);
        foreach (Side::cases() as $side) {
            (new Leave(new RunEnd($this->run, $side), $paths, $this->left))->draw($on);
        }
    }

    /**
     * What is against it, in sentences; none where it may be made.
     *
     * @return list<string>
     *
     * @throws CannotJoin where there is no such run, or no such drain
     */
    public function against(Sketch $on): array
    {
        $drains = $on->cable(new RunEnd($this->run, Side::A))->mainsDrains();

        return array_values(array_unique(array_merge(
            ...array_map(static fn (array $at): array => $at[2], $this->places($on, $drains)),
        )));
    }

    /**
     * @param  list<Conductor>  $drains
     * @return non-empty-list<array{RunEnd, array<int|string, string>, list<string>}> where each goes, and what is
     *     against it
     *
     * @throws CannotJoin
     */
    private function places(Sketch $on, array $drains): array
    {
        $run = $on->run(new RunEnd($this->run, Side::A));
        $rule = new DrainWithEarth($on->now()->catalogue, $on->now()->rulesFor($run));
        $places = [];
        foreach (Side::cases() as $side) {
            $at = new RunEnd($this->run, $side);
            $conductors = $on->cable($at)->conductors();
            $joints = $against = [];
            foreach ($drains as $drain) {
                $earth = $this->earth($on, $at, $drain);
                $fitting = Node::fitting($earth->to ?? '');
                if ($earth === null || $fitting === null) {
                    $against[] = sprintf('Protective earth is not joined at end %s. Join it first.', $side->value);

                    continue;
                }
                $joints[$drain->path] = Node::place($earth->to)?->text() ?? '';
                array_push($against, ...$rule->against(
                    $conductors[$earth->conductor],
                    $drain,
                    $on->layout($fitting),
                    $earth->address(),
                    $on->fitting($fitting)->label,
                ));
            }
            $places[] = [$at, $joints, $against];
        }

        return $places;
    }

    /** The protective earth of the same element at this end. */
    private function earth(Sketch $on, RunEnd $at, Conductor $drain): ?Joint
    {
        foreach ($on->pinout($at)->joints as $joint) {
            $signal = $on->now()->circuit($joint->circuit)->signal ?? '';
            $isEarth = $on->now()->catalogue->signal($signal)?->isProtective($joint->function) === true;
            if (
                $isEarth &&
                $joint->conductor !== $drain->path &&
                ElementPath::isWithin($joint->conductor, $drain->parent)
            ) {
                return $joint;
            }
        }

        return null;
    }
}
