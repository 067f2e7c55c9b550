<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Proof\Record\Event;

/** What is another one after a record has arrived, of what follows from the steps at the bench. */
final readonly class Rederived
{
    /**
     * @param  list<Event>  $written  that follow now, or follow from other causes than before
     * @param  list<string>  $gone  ids of those that do not follow any more
     */
    public function __construct(public array $written, public array $gone)
    {
    }
}
