<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Ends\Pinout\ConductorChoice;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Joining\Gestures\InTurn;
use Sartal\Core\Plan\Joining\Gestures\JoinByHand;
use Sartal\Core\Plan\Joining\Gestures\Land;

/**
 * What goes where, in a line of words: "13-18 > C1-C18", "M-201 B: 1-6 > F3: 7-12". Left stand elements or conductors,
 * right channels of the contact plan or contacts. A table is read alike, line by line, with a tab for the arrow. Where
 * contacts are just those of a channel of the plan, it is the plan that puts them there.
 */
final readonly class JoinLine
{
    private const BY_HAND = 'decided contact by contact';

    /**
     * @param  ?RunEnd  $at  in hand: where a line names none
     * @param  string  $fitting  in hand: where a line names none
     * @param  string  $plan  in hand; "": the first that suits
     */
    public function __construct(
        private Installation $in,
        private ?RunEnd $at,
        private string $fitting = '',
        private string $plan = '',
    ) {
    }

    /** @throws CannotJoin with every line that is wrong */
    public function read(string $text): Gesture
    {
        $gestures = $wrong = [];
        $lines = array_filter(preg_split('~\R~u', $text) ?: [], static fn (string $line): bool => trim($line) !== '');
        foreach ($lines as $i => $line) {
            try {
                $gesture = $this->line($line);
                $last = array_key_last($gestures);
                $one = $last === null ? null : self::asOne($gestures[$last], $gesture);
                $gestures[$one === null ? $i + 1 : $last] = $one ?? $gesture;
            } catch (CannotJoin $cannot) {
                $wrong[] = count($lines) === 1 ? $cannot : $cannot->inLine($i + 1);
            }
        }
        if ($wrong !== []) {
            throw CannotJoin::several($wrong);
        }

        return $gestures === [] ? throw self::unreadable($text) : new InTurn($gestures);
    }

    private static function asOne(Gesture $one, Gesture $other): ?Gesture
    {
        return match (true) {
            $one instanceof Land && $other instanceof Land => $one->plus($other),
            $one instanceof JoinByHand && $other instanceof JoinByHand => $one->plus($other),
            default => null,
        };
    }

    /** @throws CannotJoin */
    private function line(string $line): Gesture
    {
        $halves = preg_split('~\s*(?:>|→|\t)\s*~u', trim($line)) ?: [];
        if (count($halves) !== 2 || in_array('', $halves, true)) {
            throw self::unreadable($line);
        }
        [$at, $left] = $this->end($halves[0]);
        [$fitting, $right] = $this->into($halves[1]);
        $run = $this->in->run($at->run) ?? throw CannotJoin::unknown('run', $at->run, 'run');
        $cable = $this->in->catalogue->cable($run->cable) ?? throw CannotJoin::unknown('run', $run->code, 'cable type');
        $elements = (new ElementNames($cable))->read($left);
        $layout = FittingLayout::unfolded($fitting, $this->in->catalogue) ??
            throw CannotJoin::because('fitting', $fitting->label, 'Its connector type is unknown. Choose one first.');
        $plans = $this->plans($fitting, $run, $at);
        $conductors = array_filter($elements, static fn (string $path): bool => isset($cable->conductors()[$path]));
        foreach ($conductors === [] ? $plans : [] as $plan) {
            $channels = ContactNames::read($right, Names::from($plan->channels), count($elements));
            if ($channels !== null && count($channels) === count($elements)) {
                return new Land($at, $elements, $fitting->id, $plan->id, $channels);
            }
        }
        $wires = [];
        foreach ($elements as $element) {
            $wires[$element] = $this->wires($run, $cable, $element);
        }
        $wanted = array_sum(array_map(count(...), $wires));
        $contacts = ContactNames::read($right, $layout->addresses(), $wanted) ?? throw CannotJoin::because(
            'line',
            $right,
            sprintf(
                '%s has no such contacts, and its plan no such %d channels. Write a range such as %s.',
                $fitting->label,
                count($elements),
                implode('-', array_unique([$layout->addresses()[0] ?? '1', $layout->addresses()[2] ?? '3'])),
            ),
        );

        return $this->joined($at, $run, $cable, $wires, $fitting, $contacts, $plans);
    }

    /**
     * @return array{RunEnd, string} the end, and what of it
     *
     * @throws CannotJoin
     */
    private function end(string $text): array
    {
        if (preg_match('~^(.+?)\s+(?:end\s+)?([ABab])\s*:\s*(.+)$~u', $text, $m) === 1) {
            foreach ($this->in->runs() as $run) {
                if (! $run->withdrawn && mb_strtolower($run->code) === mb_strtolower($m[1])) {
                    return [new RunEnd($run->id, Side::from(strtoupper($m[2]))), $m[3]];
                }
            }
            throw CannotJoin::because('line', $m[1], 'No run has this code. Write one that there is.');
        }

        return [
            $this->at ?? throw CannotJoin::because('line', $text, 'Say of which end: "M-201 A: 1-6 > 1-6".'),
            $text,
        ];
    }

    /**
     * @return array{Fitting, string} the connector, and what of it
     *
     * @throws CannotJoin
     */
    private function into(string $text): array
    {
        $colon = strrpos($text, ':');
        if ($colon !== false) {
            $label = mb_strtolower(trim(substr($text, 0, $colon)));
            $found = array_filter(
                $this->in->fittings(),
                static fn (Fitting $each): bool => mb_strtolower($each->label) === $label || $each->id === $label,
            );
            if (count($found) !== 1) {
                throw CannotJoin::because('line', trim(substr($text, 0, $colon)), $found === []
                    ? 'No connector is called so. Write the name of one that there is.'
                    : sprintf('%d connectors are called so. Choose one on the page instead.', count($found)));
            }

            return [array_values($found)[0], trim(substr($text, $colon + 1))];
        }

        return [
            $this->in->fitting($this->fitting) ??
                throw CannotJoin::because('line', $text, 'Say into which connector: "1-6 > Stage box: 1-6".'),
            $text,
        ];
    }

    /** @return list<ContactPlan> of the connector: the one in hand, those that are followed there, others */
    private function plans(Fitting $fitting, Run $run, RunEnd $at): array
    {
        $ids = [$this->plan => true];
        foreach ([$run, ...$this->in->runs()] as $other) {
            foreach ($other === $run ? [$run->end($at->side)] : [$other->a, $other->b] as $end) {
                foreach ($end->legs as $leg) {
                    if ($leg->landing?->fitting === $fitting->id) {
                        $ids[$leg->landing->plan] = true;
                    }
                }
            }
        }
        foreach ($this->in->catalogue->plans() as $plan) {
            if ($plan->connector === $fitting->connector && ! $plan->retired) {
                $ids[$plan->id] = true;
            }
        }
        $plans = [];
        foreach (Names::from($ids) as $id) {
            $plan = $id === '' ? null : $this->in->plan($id);
            if ($plan !== null && $plan->connector === $fitting->connector) {
                $plans[] = $plan;
            }
        }

        return $plans;
    }

    /**
     * @param  array<int|string, array<int|string, non-empty-list<Conductor>>>  $wires  by element and function
     * @param  list<string>  $contacts
     * @param  list<ContactPlan>  $plans
     *
     * @throws CannotJoin
     */
    private function joined(
        RunEnd $at,
        Run $run,
        CableType $cable,
        array $wires,
        Fitting $fitting,
        array $contacts,
        array $plans,
    ): Gesture {
        $elements = Names::from($wires);
        $wanted = array_sum(array_map(count(...), $wires));
        if (count($contacts) !== $wanted) {
            throw CannotJoin::because('line', (string) count($contacts), sprintf(
                '%d %s for %d to join: %s. Write one for each.',
                count($contacts),
                count($contacts) === 1 ? 'contact' : 'contacts',
                $wanted,
                implode(', ', array_slice(array_unique(array_map(strval(...), array_merge(
                    ...array_map(array_keys(...), array_values($wires)),
                ))), 0, 4)),
            ));
        }
        foreach ($plans as $plan) {
            $channels = self::channels($plan, $wires, $contacts);
            if ($channels !== null) {
                return new Land($at, $elements, $fitting->id, $plan->id, $channels);
            }
        }
        $joints = [];
        $next = 0;
        foreach ($wires as $functions) {
            foreach ($functions as $conductors) {
                $address = $contacts[$next++];
                foreach ($conductors as $conductor) {
                    $joints[$conductor->path] = $fitting->id.'/'.$address;
                }
            }
        }
        $byHand = new JoinByHand($at, $joints, self::BY_HAND);
        $loose = $this->elsewhere($run, $at, $elements, $fitting, $cable);

        return $loose === [] || $plans === []
            ? $byHand
            : new InTurn([1 => new Land($at, $loose, $fitting->id, $plans[0]->id, byPlan: false), $byHand]);
    }

    /**
     * What of an element is joined, in the order of its signal's functions: a screen and its drain count once.
     *
     * @return array<int|string, non-empty-list<Conductor>> function → conductors
     */
    private function wires(Run $run, CableType $cable, string $element): array
    {
        $alone = $cable->conductors()[$element] ?? null;
        if ($alone !== null) {
            return [$alone->element->label => [$alone]];
        }
        $choice = ConductorChoice::under($cable, $this->in->rulesFor($run));
        $wires = [];
        foreach ($run->carries as $carriage) {
            $signal = $this->in->catalogue->signal($this->in->circuit($carriage->circuit)->signal ?? '');
            $isMine = ElementPath::isWithin($carriage->element, $element);
            foreach ($isMine ? $signal->functions ?? [] : [] as $function) {
                $conductors = $choice->for($carriage->element, $function, $signal->colourRule ?? false);
                if ($conductors !== []) {
                    $wires[$carriage->element === $element ? $function->name : $carriage->element.' '.$function->name] =
                        $conductors;
                }
            }
        }
        foreach ($wires === [] ? $cable->conductorsWithin($element) : [] as $conductor) {
            $wires[$conductor->path] = [$conductor];
        }

        return $wires;
    }

    /**
     * @param  array<int|string, array<int|string, non-empty-list<Conductor>>>  $wires
     * @param  list<string>  $contacts
     * @return ?list<string> the plan's channels that have just these contacts; null: it has not
     */
    private static function channels(ContactPlan $plan, array $wires, array $contacts): ?array
    {
        $channels = [];
        foreach ($wires as $functions) {
            $own = array_combine(
                array_keys($functions),
                array_splice($contacts, 0, count($functions)),
            );
            $found = null;
            foreach ($plan->channels as $channel => $addresses) {
                if (array_diff_assoc($own, $addresses) === []) {
                    $found ??= (string) $channel;
                }
            }
            if ($found === null) {
                return null;
            }
            $channels[] = $found;
        }

        return $channels;
    }

    /**
     * @param  list<string>  $elements
     * @return list<string> whole elements of these that do not go to the connector yet
     */
    private function elsewhere(Run $run, RunEnd $at, array $elements, Fitting $fitting, CableType $cable): array
    {
        $here = [];
        foreach ($run->end($at->side)->legs as $leg) {
            array_push($here, ...$leg->landing?->fitting === $fitting->id ? $leg->elements : []);
        }
        $loose = [];
        foreach ($elements as $element) {
            $whole = isset($cable->conductors()[$element]) && str_contains($element, '/')
                ? substr($element, 0, (int) strrpos($element, '/'))
                : $element;
            $isAlone = $whole !== $element && $run->end($at->side)->legs !== [];
            if (! $isAlone && ! ElementPath::isWithinAny($whole, $here)) {
                $loose[$whole] = true;
            }
        }

        return Names::from($loose);
    }

    private static function unreadable(string $text): CannotJoin
    {
        return CannotJoin::because(
            'line',
            $text,
            'Write what goes where: elements, an arrow, contacts or channels, such as 13-18 > C1-C18.',
        );
    }
}
