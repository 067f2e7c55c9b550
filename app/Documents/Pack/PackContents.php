<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Planning\Loaded;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Later\Handover\Gap;

/** Everything that a pack tells, read once. */
final readonly class PackContents
{
    /**
     * @param  string  $release  letter that it is worked by; "" where nothing is released
     * @param  list<Gap>  $gaps
     * @param  Units  $units  of whoever made it
     */
    public function __construct(
        public Loaded $loaded,
        public string $title,
        public string $at,
        public string $by,
        public string $release,
        public array $gaps,
        public Units $units = Units::Metric,
    ) {
    }

    public function person(string $signIn): string
    {
        return $this->loaded->people[$signIn] ?? $signIn;
    }
}
