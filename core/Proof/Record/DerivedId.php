<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * Ids of records that follow from others: made of the same again, they are the same (RFC 9562, section 5.5, UUIDv5).
 */
final class DerivedId
{
    /**
     * @param  string  $from  a UUID
     *
     * @throws \InvalidArgumentException where it is none
     */
    public static function of(string $from, string $name): string
    {
        $bytes =
            preg_match('~^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$~i', $from) === 1
                ? hex2bin(str_replace('-', '', $from))
                : false;
        if ($bytes === false) {
            throw new \InvalidArgumentException(sprintf('"%s" is no UUID.', $from));
        }
        $hash = substr(sha1($bytes.$name, true), 0, 16);
        // Version 5, and the variant of the RFC.
        $hash[6] = chr((ord($hash[6]) & 0x0F) | 0x50);
        $hash[8] = chr((ord($hash[8]) & 0x3F) | 0x80);

        $hex = bin2hex($hash);

        return implode('-', [
            substr($hex, 0, 8),
            substr($hex, 8, 4),
            substr($hex, 12, 4),
            substr($hex, 16, 4),
            substr($hex, 20),
        ]);
    }
}
