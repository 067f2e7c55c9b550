<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Question;

/** A reading that parts causes which read the same so far: what each would show. */
final readonly class Separation
{
    /**
     * @param  ?Question  $question  null where a whole end is opened and looked at
     * @param  list<Answer>  $answers  what may be read, and which causes then are left
     */
    public function __construct(public Method $method, public ?Question $question, public array $answers)
    {
    }

    /** Causes left on average, all taken as equally likely. */
    public function left(): float
    {
        $all = $squares = 0;
        foreach ($this->answers as $answer) {
            $all += count($answer->causes);
            $squares += count($answer->causes) ** 2;
        }

        return $all === 0 ? 0.0 : $squares / $all;
    }
}
