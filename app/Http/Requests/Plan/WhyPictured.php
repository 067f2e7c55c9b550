<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Whole;
use Illuminate\Http\UploadedFile;

/** A photo of why something was decided. */
final readonly class WhyPictured implements Shape
{
    /**
     * @param  UploadedFile  $picture  JPEG, PNG or WebP of at most 8 MB
     * @param  int  $version  of what was said before; 0: nothing was
     */
    public function __construct(
        public UploadedFile $picture,
        #[Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.')]
        public int $version,
    ) {
    }
}
