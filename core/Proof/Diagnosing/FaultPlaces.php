<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Pinout\LayOrder;
use Sartal\Core\Ends\Pinout\PlanLayout;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Installation;

/** Where faults can be: the terminals of each connector in their order, and which joints belong to one element. */
final readonly class FaultPlaces
{
    /**
     * @param  array<int|string, list<string>>  $terminals  by fitting
     * @param  array<int|string, list<list<string>>>  $rows  fitting → its terminals, in each order that they may be
     *     counted in: by number, and by columns
     * @param  array<int|string, int>  $order  place of a terminal in its connector
     * @param  array<int|string, string>  $groups  joint id → element
     * @param  array<int|string, list<array<int|string, string>>>  $channels  fitting → its channels in their order,
     *     each function → joint id
     * @param  array<int|string, list<Arrangement>>  $arrangements  by fitting
     * @param  array<int|string, string>  $ends  fitting → the end that it is of, whatever that is divided into
     */
    private function __construct(
        public array $terminals,
        public array $rows,
        public array $order,
        public array $groups,
        public array $channels,
        public array $arrangements,
        private array $ends,
    ) {
    }

    /** @param  list<Joint>  $joints */
    public static function in(Assembly $assembly, array $joints, Installation $installation): self
    {
        $terminals = $rows = $order = $arrangements = [];
        $at = [];
        foreach ($joints as $joint) {
            $at[Node::fitting($joint->to) ?? ''][] = $joint;
        }
        $wrong = new Arrangements($installation);
        foreach ($assembly->fittings as $id) {
            $fitting = $installation->fitting($id);
            $layout = $fitting === null ? null : FittingLayout::unfolded($fitting, $installation->catalogue);
            foreach (array_keys($layout->cavities ?? []) as $place => $address) {
                $node = Node::terminal($id, (string) $address);
                $terminals[$id][] = $node;
                $order[$node] = $place;
            }
            if ($layout !== null) {
                $columns = array_map(
                    static fn (string $address): string => Node::terminal($id, $address),
                    array_merge(...PlanLayout::lines($layout, LayOrder::Columns)),
                );
                $numbers = $terminals[$id] ?? [];
                $rows[$id] = $columns === $numbers ? [$numbers] : [$numbers, $columns];
                $arrangements[$id] = $wrong->of($id, $layout, $at[$id] ?? []);
            }
        }
        $groups = [];
        $ends = new DisjointSets();
        foreach ($joints as $joint) {
            $parent = strrpos($joint->conductor, '/');
            $groups[$joint->id()] = $parent === false ? '' : $joint->run.':'.substr($joint->conductor, 0, $parent);
            $fitting = Node::fitting($joint->to);
            if ($fitting !== null) {
                // Several cable ends may share a connector, and are one end then.
                $ends->join('fitting '.$fitting, 'end '.$joint->run.' '.$joint->side->value);
            }
        }
        $endOf = [];
        foreach (array_keys($terminals) as $fitting) {
            $ends->add('fitting '.$fitting);
            $endOf[$fitting] = $ends->find('fitting '.$fitting);
        }

        return new self(
            $terminals,
            $rows,
            $order,
            $groups,
            array_map(self::inOrder(...), $at),
            $arrangements,
            $endOf,
        );
    }

    /**
     * @param  list<Joint>  $joints  of one connector
     * @return list<array<int|string, string>> channel by channel, function → joint id
     */
    private static function inOrder(array $joints): array
    {
        $channels = [];
        foreach ($joints as $joint) {
            if ($joint->channel !== '' && $joint->function !== '') {
                $channels[$joint->channel][$joint->function] = $joint->id();
            }
        }
        // As they are numbered, whatever order their cores came in.
        ksort($channels, SORT_NATURAL);

        return array_values($channels);
    }

    public function areOfOneEnd(int|string $one, int|string $other): bool
    {
        return ($this->ends[$one] ?? $one) === ($this->ends[$other] ?? $other);
    }
}
