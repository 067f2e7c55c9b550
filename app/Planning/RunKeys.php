<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Proposing\RunCodes;

/** Ids for new runs: the code, where nothing has it yet. */
final class RunKeys
{
    private function __construct(private RunCodes $codes)
    {
    }

    public static function of(Installation $installation): self
    {
        return new self(RunCodes::free($installation));
    }

    /** An id that nothing has, and that nothing else will be given. */
    public function next(string $code): string
    {
        return $this->codes->id($code);
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

    /** @return list<string> so many codes that are free, from the one that is said or the next of its kind on */
    public static function codesFrom(Installation $installation, string $first, int $many): array
    {
        $codes = RunCodes::free($installation);
        while ($codes->isTaken($first) && preg_match('~^(.*?)(\d{1,9})$~us', $first, $m) === 1) {
            $first = $m[1].str_pad((string) ((int) $m[2] + 1), strlen($m[2]), '0', STR_PAD_LEFT);
        }

        return $codes->from($first, $many);
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
