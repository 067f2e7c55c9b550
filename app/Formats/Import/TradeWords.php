<?php

declare(strict_types=1);

namespace App\Formats\Import;

/** Widely used words for what is called otherwise here, as they ship in catalogue/words.json. */
final class TradeWords
{
    /** @var ?array<int|string, string> */
    private static ?array $read = null;

    /** @return array<int|string, string> word → the word for it here, both in lower case */
    public static function all(): array
    {
        if (self::$read === null) {
            $words = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/catalogue/words.json'), true);
            self::$read = array_filter(is_array($words) ? $words : [], is_string(...));
        }

        return self::$read;
    }
}
