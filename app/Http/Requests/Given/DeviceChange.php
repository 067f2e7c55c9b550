<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** A device with its ports. */
final readonly class DeviceChange implements Shape
{
    /**
     * @param  array<array-key, mixed>  $device
     */
    public function __construct(
        #[Document('equipment')] public array $device,
        #[Whole(min: 1)] public ?int $version = null,
    ) {
    }
}
