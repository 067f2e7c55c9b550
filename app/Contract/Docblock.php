<?php

declare(strict_types=1);

namespace App\Contract;

use ReflectionClass;
use ReflectionMethod;

/** What a class or a method says of itself in its first sentence or two. */
final class Docblock
{
    /** @param  ReflectionClass<object>|ReflectionMethod  $of */
    public static function summary(ReflectionClass|ReflectionMethod $of): string
    {
        $text = (string) preg_replace('~^\s*/\*\*|\*/$|^\s*\*[ \t]?~m', '', (string) $of->getDocComment());
        $text = trim((string) preg_replace('~^\s*@.*~ms', '', $text));

        return trim((string) preg_replace('~\s+~', ' ', $text));
    }
}
