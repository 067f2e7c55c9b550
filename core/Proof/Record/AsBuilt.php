<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Measure\Length;

/** How a run really lies, where somebody said so on site. */
final readonly class AsBuilt implements Particulars
{
    /**
     * @param  ?Length  $length  of it, once it is trimmed; null: nobody measured
     * @param  ?list<string>  $ways  ids in its order; null: as planned
     */
    public function __construct(public ?Length $length = null, public ?array $ways = null)
    {
    }
}
