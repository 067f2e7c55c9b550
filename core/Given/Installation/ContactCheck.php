<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Somebody has looked at a connector beside what it mates with, contact by contact. */
final readonly class ContactCheck
{
    /**
     * @param  string  $id  of the fitting
     * @param  string  $print  of what was compared: it holds as long as that is the same
     * @param  string  $by  name
     * @param  string  $at  ISO 8601
     */
    public function __construct(public string $id, public string $print, public string $by, public string $at)
    {
    }
}
