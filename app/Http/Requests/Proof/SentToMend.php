<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;

/** What a test found and the bench makes good. */
final readonly class SentToMend implements Shape
{
    /**
     * @param  list<string>  $edges
     * @param  string  $test  id of the test
     */
    public function __construct(
        #[Items(500)] public array $edges,
        #[Text(max: 36, min: 0)] public string $test = '',
        #[Text(max: 2000, min: 0, lines: true)] public string $note = '',
    ) {
    }
}
