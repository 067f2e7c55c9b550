<?php

declare(strict_types=1);

namespace App\Changes;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Understood;

/** One line of words, as it was read: the runs that it would become, or why it becomes none. */
final readonly class QuickRead
{
    /**
     * @param  list<Proposal>  $proposals  none where it was refused
     * @param  list<Understood>  $understood
     * @param  Installation  $with  with them, and with those of the lines before
     */
    public function __construct(
        public string $text,
        public array $proposals,
        public array $understood,
        public Installation $with,
        public ?CannotPropose $refused = null,
    ) {
    }
}
