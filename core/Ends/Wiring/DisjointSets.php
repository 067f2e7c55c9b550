<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

/** Union-find with path halving: Tarjan and van Leeuwen, J. ACM 31(2), 1984. */
final class DisjointSets
{
    /** @var array<int|string, string> */
    private array $parent = [];

    public function add(string $item): void
    {
        $this->parent[$item] ??= $item;
    }

    public function join(string $one, string $other): void
    {
        $this->add($one);
        $this->add($other);
        $this->parent[$this->find($one)] = $this->find($other);
    }

    public function find(string $item): string
    {
        while ($this->parent[$item] !== $item) {
            $this->parent[$item] = $this->parent[$this->parent[$item]];
            $item = $this->parent[$item];
        }

        return $item;
    }

    /** @return list<list<string>> in the order in which items were added */
    public function groups(): array
    {
        $groups = [];
        foreach ($this->parent as $item => $_) {
            $groups[$this->find((string) $item)][] = (string) $item;
        }

        return array_values($groups);
    }
}
