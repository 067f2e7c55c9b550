<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;

/** Codes and ids for runs that are to come: of what nothing has, the next. */
final class RunCodes
{
    private const LONGEST = 40;

    /** @var array<int|string, true> codes that are in use */
    private array $codes = [];

    /** @var array<int|string, true> */
    private array $ids;

    /** @param  iterable<Run|RunHabit>  $runs */
    private function __construct(iterable $runs, Installation $in)
    {
        $ids = [];
        foreach ($runs as $run) {
            $ids[$run->id] = true;
            if (! $run->withdrawn) {
                $this->codes[$run->code] = true;
            }
        }
        $this->ids = $ids;
        // Fittings and circuits of a run are named after it: what a removed run left behind keeps its name.
        foreach ([...array_keys($in->fittings()), ...array_keys($in->circuits())] as $id) {
            $this->ids[substr((string) $id, 0, (int) strrpos((string) $id, '.'))] = true;
        }
    }

    public static function free(Installation $in): self
    {
        return new self($in->runs(), $in);
    }

    /**
     * Where an installation is read without its runs.
     *
     * @param  list<RunHabit>  $runs  all that there are
     */
    public static function besides(array $runs, Installation $in): self
    {
        return new self($runs, $in);
    }

    public function isTaken(string $code): bool
    {
        return isset($this->codes[$code]);
    }

    /**
     * The first one and those that go on from its number, leaving out what is in use.
     *
     * @return list<string> none where the first is in use, or does not end in a number to go on from
     */
    public function from(string $first, int $many): array
    {
        if ($this->isTaken($first) || ($many > 1 && preg_match('~\d$~', $first) !== 1)) {
            return [];
        }
        preg_match('~^(.*?)(\d*)$~us', $first, $m);
        $codes = [];
        for ($n = (int) ($m[2] ?? 0), $code = $first; count($codes) < $many; $n++) {
            $code = $codes === [] ? $first : ($m[1] ?? '').str_pad((string) $n, strlen($m[2] ?? ''), '0', STR_PAD_LEFT);
            if (! $this->isTaken($code)) {
                $codes[] = $code;
                $this->codes[$code] = true;
            }
        }

        return $codes;
    }

    /** An id that nothing has, and that nothing else will be given. */
    public function id(string $code): string
    {
        $base = trim((string) preg_replace('~[^A-Za-z0-9-]+~', '-', $code), '-');
        $base = $base === '' ? 'run' : mb_substr($base, 0, self::LONGEST);
        $id = $base;
        for ($n = 2; isset($this->ids[$id]); $n++) {
            $id = $base.'-'.$n;
        }
        $this->ids[$id] = true;

        return $id;
    }
}
