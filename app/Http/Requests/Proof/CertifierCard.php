<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use App\Contract\Text;

/** A certifier’s card. */
final readonly class CertifierCard implements Shape
{
    /**
     * @param  string  $id  a UUID, so that a repeat is recorded once
     */
    public function __construct(
        #[Text(max: 5_000_000, remedy: 'Choose a file of the certifier.', lines: true)] public string $csv,
        public bool $record = false,
        #[Text(max: 36, min: 0)] public string $id = '',
        #[Text(min: 0)] public string $instrument = '',
    ) {
    }
}
