<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/**
 * A run once more, under another code: with connectors and circuits of its own, and everything that was decided about
 * it, down to the single joint. What joins it to connectors of other runs stays with the first.
 */
final readonly class RunCopy
{
    /**
     * @param  list<string>  $splices  of its own
     * @param  list<Link>  $links  between what is its own
     * @param  list<PanelSwitch>  $switches  between what is its own
     * @param  int  $left  jumpers and switches that lead from the first to others, and stay with it
     */
    private function __construct(
        public Proposal $proposal,
        public array $splices,
        public array $links,
        public array $switches,
        public int $left,
    ) {
    }

    /** @param  string  $id  that nothing is called by, and nothing that is named after it */
    public static function of(Run $run, Installation $in, string $id, string $code): self
    {
        $circuits = self::circuits($run);
        $circuits = array_combine(
            $circuits,
            array_map(static fn (int $n): string => $id.'.c'.($n + 1), array_keys($circuits)),
        );
        $fittings = self::fittings($run, $id);
        $splices = self::splices($run, $id);
        $node = static fn (string $at): ?string => JoiningPlace::from($at)->renamed($fittings, $splices)?->text();
        $new = new Run(
            $id,
            $code,
            $run->cable,
            $run->build,
            self::end($run->a, $fittings, $node),
            self::end($run->b, $fittings, $node),
            $run->ways,
            array_map(
                static fn (Carriage $each): Carriage => new Carriage($each->element, $circuits[$each->circuit]),
                $run->carries,
            ),
            $run->loom,
            $run->note,
            length: $run->length,
            sleeve: $run->sleeve,
        );
        [$links, $switches, $left] = self::connections($in, $id, $node);

        return new self(
            new Proposal(
                $new,
                self::madeFittings($run, $in, $fittings, $code),
                self::madeCircuits($run, $in, $circuits, $fittings, $code),
            ),
            array_values($splices),
            $links,
            $switches,
            $left,
        );
    }

    /** The same with other places and lengths: its connectors go where its ends do. */
    public function goingAs(Run $run): self
    {
        $fittings = $this->proposal->fittings;
        foreach (Side::cases() as $side) {
            [$was, $is] = [$this->proposal->run->end($side)->location, $run->end($side)->location];
            foreach ($was === $is ? [] : $run->end($side)->legs as $leg) {
                $fitting = $fittings[$leg->landing->fitting ?? ''] ?? null;
                if ($fitting !== null) {
                    $fittings[$fitting->id] = $fitting->at($is);
                }
            }
        }

        return new self(
            new Proposal($run, $fittings, $this->proposal->circuits),
            $this->splices,
            $this->links,
            $this->switches,
            $this->left,
        );
    }

    /** @return list<string> that it carries, each once */
    private static function circuits(Run $run): array
    {
        return array_values(array_unique(
            array_map(static fn (Carriage $each): string => $each->circuit, $run->carries),
        ));
    }

    /** @return array<int|string, string> fitting → its copy, named after the run as a proposed one is */
    private static function fittings(Run $run, string $id): array
    {
        $copies = [];
        foreach (Side::cases() as $side) {
            $n = 0;
            foreach ($run->end($side)->legs as $leg) {
                $fitting = $leg->landing->fitting ?? '';
                if ($fitting !== '' && ! isset($copies[$fitting])) {
                    $copies[$fitting] = sprintf('%s.%s%d', $id, strtolower($side->value), ++$n);
                }
            }
        }

        return $copies;
    }

    /** @return array<int|string, string> splice → its copy */
    private static function splices(Run $run, string $id): array
    {
        $copies = [];
        foreach ([...$run->a->handJoints, ...$run->b->handJoints] as $joint) {
            $splice = JoiningPlace::from($joint->to ?? '')->splice;
            if ($splice !== '') {
                $copies[$splice] ??= $id.'-'.$splice;
            }
        }

        return $copies;
    }

    /**
     * @param  array<int|string, string>  $fittings
     * @param  \Closure(string): ?string  $node
     */
    private static function end(End $end, array $fittings, \Closure $node): End
    {
        $joints = [];
        foreach ($end->handJoints as $joint) {
            $to = $joint->to === null ? null : $node($joint->to);
            if ($joint->to === null || $to !== null) {
                $joints[] = new HandJoint($joint->conductor, $to, $joint->reason);
            }
        }

        $legs = array_map(
            // What was measured there is another piece of equipment's.
            static fn (Leg $leg): Leg => $leg->reaching($leg->onEquipment, null)->holding(
                $leg->elements,
                $leg->landing === null ? null : new Landing(
                    $fittings[$leg->landing->fitting],
                    $leg->landing->plan,
                    $leg->landing->channels,
                ),
            ),
            $end->legs,
        );

        return $end->withLegs($legs)->saying($joints, $end->unused);
    }

    /**
     * @param  array<int|string, string>  $copies
     * @return array<int|string, Fitting>
     */
    private static function madeFittings(Run $run, Installation $in, array $copies, string $code): array
    {
        $made = [];
        foreach ($copies as $fitting => $id) {
            $was = $in->fitting($fitting);
            if ($was === null) {
                continue;
            }
            $label = str_contains($was->label, $run->code)
                ? str_replace($run->code, $code, $was->label)
                : trim($was->label.' '.$code);
            $made[$id] = new Fitting(
                $id,
                $label,
                $was->connector,
                $was->location,
                $was->inserts,
                $was->shared,
                $was->exit,
                $was->clocking,
                $was->parts,
            );
        }

        return $made;
    }

    /**
     * @param  array<int|string, string>  $copies
     * @param  array<int|string, string>  $fittings
     * @return array<int|string, Circuit>
     */
    private static function madeCircuits(
        Run $run,
        Installation $in,
        array $copies,
        array $fittings,
        string $code,
    ): array {
        $made = [];
        foreach ($copies as $circuit => $id) {
            $was = $in->circuit($circuit);
            if ($was === null) {
                continue;
            }
            $made[$id] = new Circuit(
                $id,
                str_contains($was->name, $run->code)
                    ? str_replace($run->code, $code, $was->name)
                    : trim($was->name.' '.$code),
                $was->signal,
                $was->topology,
                $fittings[$was->from] ?? '',
                $fittings[$was->phantom] ?? '',
                $fittings[$was->terminator] ?? '',
                $was->demand,
            );
        }

        return $made;
    }

    /**
     * @param  \Closure(string): ?string  $node
     * @return array{list<Link>, list<PanelSwitch>, int}
     */
    private static function connections(Installation $in, string $id, \Closure $node): array
    {
        $links = $switches = [];
        $left = 0;
        foreach ($in->links() as $link) {
            [$from, $to] = [$node($link->from), $node($link->to)];
            if ($from !== null && $to !== null) {
                $links[] = new Link($from, $to, $link->note);
            } else {
                $left += $from !== null || $to !== null ? 1 : 0;
            }
        }
        foreach ($in->switches() as $switch) {
            [$from, $to] = [$node($switch->from), $node($switch->to)];
            if ($from !== null && $to !== null) {
                $switches[] = new PanelSwitch(
                    $id.'-'.$switch->id,
                    $switch->name,
                    $from,
                    $to,
                    $switch->closedAtRest,
                );
            } else {
                $left += $from !== null || $to !== null ? 1 : 0;
            }
        }

        return [$links, $switches, $left];
    }
}
