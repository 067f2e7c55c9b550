<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Installation\Method;

/** One method of a test plan: why it is there, what is good, and whether the test counts without it. */
final readonly class PlannedTest
{
    /**
     * @param  string  $limit  what is good, in words
     * @param  bool  $licensed  by a person licensed for mains alone
     * @param  bool  $binding  without it the test is not complete
     */
    public function __construct(
        public Method $method,
        public string $why,
        public string $limit,
        public bool $licensed,
        public bool $binding,
    ) {
    }

    public function domain(): HazardDomain
    {
        return $this->licensed ? HazardDomain::Mains : HazardDomain::Signal;
    }
}
