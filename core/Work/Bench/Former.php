<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/**
 * A step as an earlier edition of the work had it, which what is done now stands for: its record goes on counting, and
 * is judged by what that edition went by.
 */
final readonly class Former
{
    /**
     * @param  list<string>  $ids  by which records name it
     * @param  list<string>  $prints  fingerprints of what it was done by, one of each edition: others are overtaken
     */
    public function __construct(public array $ids, public array $prints)
    {
    }
}
