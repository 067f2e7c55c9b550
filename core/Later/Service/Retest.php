<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

/** When an assembly is to be tested again. */
final readonly class Retest
{
    /**
     * @param  string  $assembly  id
     * @param  string  $last  day of the test that counts; "" where it never was tested in place
     * @param  string  $due  day, "2027-03-09"; "" where it never was tested in place
     */
    public function __construct(
        public string $assembly,
        public bool $mains,
        public string $last,
        public string $due,
        public int $months,
    ) {
    }

    /** @param  string  $today  "2026-03-09" */
    public function isOverdue(string $today): bool
    {
        return $this->due !== '' && $this->due < $today;
    }
}
