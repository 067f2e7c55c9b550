<?php

declare(strict_types=1);

namespace App\Http\Requests\Later;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Which lines of the log. */
final readonly class LogAsked implements Shape
{
    /**
     * @param  string  $who  a person’s key
     */
    public function __construct(
        #[Text(max: 40, min: 0)] public string $what = '',
        #[Text(max: 40, min: 0)] public string $who = '',
        #[
            Text(max: 10, min: 0, pattern: '(\\d{4}-\\d\\d-\\d\\d)?', remedy: 'Write a day, such as 2026-03-09.'),
        ]
        public string $from = '',
        #[
            Text(max: 10, min: 0, pattern: '(\\d{4}-\\d\\d-\\d\\d)?', remedy: 'Write a day, such as 2026-03-09.'),
        ]
        public string $to = '',
        #[Text(min: 0)] public string $q = '',
        #[Whole(min: 1, max: 100_000)] public int $page = 1,
    ) {
    }
}
