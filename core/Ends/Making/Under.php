<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Schools\School;

/** Answers of the house under which something is done or demanded: one of those that are named, of each question. */
final readonly class Under
{
    /** @param  list<School>  $answers  empty: whatever the house answers */
    public function __construct(public array $answers = [])
    {
    }

    public function holds(Station $station): bool
    {
        $byQuestion = [];
        foreach ($this->answers as $answer) {
            $byQuestion[$answer::class][] = $answer;
        }
        foreach ($byQuestion as $question => $any) {
            if (! in_array($station->answer($question), $any, true)) {
                return false;
            }
        }

        return true;
    }
}
