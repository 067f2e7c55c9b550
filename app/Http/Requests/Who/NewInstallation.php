<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;
use Illuminate\Http\UploadedFile;

/** An installation that is begun. */
final readonly class NewInstallation implements Shape
{
    /**
     * @param  string  $name  needed unless it comes from a file
     * @param  bool  $crew  whether the people of the file come along
     * @param  ?UploadedFile  $file  an installation as a file
     */
    public function __construct(
        public Begin $begin = Begin::File,
        #[Text(max: 120, min: 0)] public string $name = '',
        public bool $crew = true,
        public ?UploadedFile $file = null,
    ) {
    }
}
