<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Schools\School;

/** Answers of the house under which something is done or demanded: one of those that are named, of each question. */
final readonly class Under
{
    /** @param  list<School>  $answers  empty: whatever the house answers */
    public function __construct(public array $answers = [])
    {
    }

    /** @param  array<class-string<School>, School>  $given  answers of the house, where they are not the usual ones */
    public function holds(array $given): bool
    {
        $byQuestion = [];
        foreach ($this->answers as $answer) {
            $byQuestion[$answer::class][] = $answer;
        }
        foreach ($byQuestion as $question => $any) {
            if (! in_array($given[$question] ?? $question::usual(), $any, true)) {
                return false;
            }
        }

        return true;
    }
}
