<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use Sartal\Core\Given\Installation\Method;

/** What a simulated instrument is asked. */
final readonly class Measurement implements Shape
{
    /**
     * @param  list<Method>  $measure
     * @param  ?list<string>  $nodes
     */
    public function __construct(
        #[Text(max: 255)] public string $assembly,
        #[Items(20)] public array $measure = [],
        #[Items(5000)] public ?array $nodes = null,
    ) {
    }
}
