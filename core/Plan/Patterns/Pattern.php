<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Sketch;

/** An assembly, or several alike, that follow from a few answers. What it draws is ordinary, and is edited as such. */
interface Pattern
{
    /** @return list<PatternQuestion> only what matters, in the order in which one thinks of it */
    public function questions(): array;

    /** @throws CannotJoin naming the answer, its value and the remedy */
    public function draw(Sketch $on, PatternAnswers $answers): void;
}
