<?php

declare(strict_types=1);

namespace App\Contract;

use App\Formats\BadLine;
use App\Formats\Slip;

/** What is wrong with a request, field by field, until all of it has been read. */
final class Slips
{
    private const MOST = 50;

    /** @var list<Slip> */
    private array $all = [];

    public function add(string $field, string $value, string $remedy): void
    {
        if (count($this->all) < self::MOST) {
            $this->all[] = new Slip($field, $value, $remedy);
        }
    }

    public function count(): int
    {
        return count($this->all);
    }

    /** @throws BadLine where anything is */
    public function settle(): void
    {
        if ($this->all !== []) {
            throw new BadLine($this->all);
        }
    }
}
