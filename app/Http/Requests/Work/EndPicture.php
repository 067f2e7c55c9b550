<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use Illuminate\Http\UploadedFile;

/** A photo of an end. */
final readonly class EndPicture implements Shape
{
    /**
     * @param  UploadedFile  $picture  JPEG, PNG or WebP of at most 8 MB
     * @param  string  $at  when it was taken, RFC 3339
     * @param  list<string>  $on  ids of what it was done on
     */
    public function __construct(
        public UploadedFile $picture,
        #[
            Text(
                max: 36,
                pattern: '[0-9a-fA-F-]{36}',
                remedy: 'A photo needs an id of its own, a UUID, so that a repeat is recorded once.',
            ),
        ]
        public string $id,
        #[Text(max: 255, min: 0)] public string $run = '',
        #[Text(max: 255, min: 0)] public string $step = '',
        #[Text(max: 2000, min: 0, lines: true)] public string $note = '',
        #[Text(max: 40, min: 0)] public string $at = '',
        #[Items(max: 200)] public array $on = [],
    ) {
    }
}
