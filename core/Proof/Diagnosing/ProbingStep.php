<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;

/** One reading on the way to a fault. */
final readonly class ProbingStep
{
    /**
     * @param  ?Question  $question  null where all of the method is read
     * @param  int  $left  causes that fit everything read so far; 0 where nothing reads wrong yet
     */
    public function __construct(public Method $method, public ?Question $question, public int $left)
    {
    }

    /** min; a single question takes a share of the method's. */
    public function minutes(): float
    {
        return $this->question === null
            ? Methods::card($this->method)->minutes
            : round(Methods::card($this->method)->minutes / 2, 2);
    }
}
