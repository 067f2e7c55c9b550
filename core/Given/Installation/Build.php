<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/**
 * Where a run's ends are made: on the bench before it is pulled, in place after; or elsewhere, long before. A loose
 * lead is made on the bench and lies in no building.
 */
enum Build: string
{
    case Shop = 'shop';
    case Site = 'site';
    /** It was there with both its ends: taken in as it is seen, looked over, tested and mended. */
    case Found = 'found';
    /** A patch lead, a microphone or instrument lead, an adapter: of a typed length, kept where it belongs. */
    case Lead = 'lead';

    public function isAtTheBench(): bool
    {
        return $this === self::Shop || $this === self::Lead;
    }
}
