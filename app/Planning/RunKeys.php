<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Given\Installation\Installation;

/** Ids for new runs: the code, where nothing has it yet. */
final class RunKeys
{
    /** @param  array<int|string, true>  $taken */
    private function __construct(private array $taken)
    {
    }

    public static function of(Installation $installation): self
    {
        $taken = array_fill_keys(array_map(strval(...), array_keys($installation->runs())), true);
        // Fittings and circuits of a run are named after it: what a removed run left behind keeps its name.
        foreach ([...array_keys($installation->fittings()), ...array_keys($installation->circuits())] as $id) {
            $taken[substr((string) $id, 0, (int) strrpos((string) $id, '.'))] = true;
        }

        return new self($taken);
    }

    /** An id that nothing has, and that nothing else will be given. */
    public function next(string $code): string
    {
        $base = trim((string) preg_replace('~[^A-Za-z0-9-]+~', '-', $code), '-');
        $base = $base === '' ? 'run' : mb_substr($base, 0, 40);
        $key = $base;
        for ($n = 2; isset($this->taken[$key]); $n++) {
            $key = $base.'-'.$n;
        }
        $this->taken[$key] = true;

        return $key;
    }

    /** @return array<int|string, true|int> codes in use */
    public static function codes(Installation $installation): array
    {
        $codes = [];
        foreach ($installation->runs() as $run) {
            if (! $run->withdrawn) {
                $codes[$run->code] = true;
            }
        }

        return $codes;
    }

    /** The core's field names in those of a line: "a.plans" → "plans_a". */
    public static function field(string $field): string
    {
        return match ($field) {
            'a.plans' => 'plans_a',
            'b.plans' => 'plans_b',
            'signal' => 'signals',
            default => $field,
        };
    }
}
