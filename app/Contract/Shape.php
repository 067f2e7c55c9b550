<?php

declare(strict_types=1);

namespace App\Contract;

/**
 * What a request carries, as one class: its constructor's parameters are its
 * fields, their types and attributes what may be in them. The contract that is
 * served under `api/docs` is read off these classes.
 */
interface Shape
{
}
