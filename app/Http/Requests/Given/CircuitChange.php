<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;
use Sartal\Core\Given\Installation\Topology;

/** A circuit as it is from now on. */
final readonly class CircuitChange implements Shape
{
    /**
     * @param  string  $from  a fitting
     * @param  string  $phantom  a fitting
     * @param  string  $terminator  a fitting, or a port
     * @param  array<array-key, mixed>|null  $demand  left out, it stays
     */
    public function __construct(
        #[Text(remedy: 'A circuit needs a name.')] public string $name,
        public Topology $topology,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        #[Text(max: 255, min: 0)] public string $from = '',
        #[Text(max: 255, min: 0)] public string $phantom = '',
        #[Text(max: 255, min: 0)] public string $terminator = '',
        #[Document('demand')] public ?array $demand = null,
    ) {
    }
}
