<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Proof\Record\Event;

/** What an installation file brings, whether all of it is in memory or it is read as it comes. */
interface FileContents
{
    public function installation(): Installation;

    /** @return list<Person> */
    public function people(): array;

    /**
     * What was done, each once.
     *
     * @return iterable<Event>
     *
     * @throws InvalidDocument after the last of them, where anything is wrong with any
     */
    public function events(): iterable;
}
