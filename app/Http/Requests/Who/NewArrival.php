<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use Illuminate\Http\UploadedFile;

/** An installation as a file. */
final readonly class NewArrival implements Shape
{
    /**
     * @param  bool  $crew  whether the people of the file come along
     * @param  ?UploadedFile  $file  an installation as a file; needed
     */
    public function __construct(public bool $crew = true, public ?UploadedFile $file = null)
    {
    }
}
