<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** One of the house's questions, answered for one end. */
final readonly class EndAnswers implements Shape
{
    /**
     * @param  string  $question  its key
     * @param  string  $answer  "": as the loom, the family or the house has it
     */
    public function __construct(
        #[Text(max: 60)] public string $question,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        #[Text(max: 60, min: 0)] public string $answer = '',
    ) {
    }
}
