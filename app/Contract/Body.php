<?php

declare(strict_types=1);

namespace App\Contract;

use App\Formats\BadLine;
use Attribute;
use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\Container\ContextualAttribute;
use Illuminate\Http\Request;

/** A controller's parameter that is what the request carries. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Body implements ContextualAttribute
{
    /** @param  class-string<Shape>  $shape */
    public function __construct(public string $shape)
    {
    }

    /** @throws BadLine */
    public static function resolve(self $attribute, Container $container): Shape
    {
        $request = $container->make(Request::class);

        return $container->make(ShapeDecoder::class)->decode($attribute->shape, $request->all(), ! $request->isJson());
    }
}
