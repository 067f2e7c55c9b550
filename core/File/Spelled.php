<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/** An entry of a list as JSON has it: read when its turn comes, so that thousands are never there as arrays at once. */
final readonly class Spelled
{
    public function __construct(private string $json)
    {
    }

    /** @return mixed null where it is no JSON: what reads it says so */
    public function read(): mixed
    {
        return json_decode($this->json, true);
    }
}
