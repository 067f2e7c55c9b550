<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;

/** Of a test: what was read, and what follows from it. */
final readonly class TestTaken implements Particulars
{
    /**
     * @param  ?TestStage  $stage  null: at the bench
     * @param  list<string>  $covers  runs that were tested as one piece; nothing where it was one run, or not written
     *     down
     * @param  list<string>  $rests  ids of the tests whose other part its verdict rests on: signal and mains of a
     *     composite may be tested by two people
     */
    public function __construct(
        public ?Reading $reading = null,
        public ?Verdict $verdict = null,
        public ?TestStage $stage = null,
        public array $covers = [],
        public array $rests = [],
    ) {
    }
}
