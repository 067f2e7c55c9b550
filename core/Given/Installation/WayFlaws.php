<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/**
 * Why a way cannot be drawn so. Files of earlier versions may have such ways:
 * they are read, and no run is sent along them by itself.
 */
final class WayFlaws
{
    /** @return array<string, string> field → what to do */
    public static function of(Way $way, Installation $in): array
    {
        $flaws = [];
        if ($way->length->isZero() || $way->length->isNegative()) {
            $flaws['length'] = 'A way has a length. Write what was measured, such as 9.5 m.';
        }
        foreach (['from' => $way->from, 'to' => $way->to] as $field => $end) {
            // Where nobody said yet, the way waits for it.
            if ($end !== '' && $in->location($end) === null && $in->junction($end) === null) {
                $flaws[$field] = 'There is no such place or branch. Choose one, or leave it open.';
            }
        }
        if ($way->joins() && $way->from === $way->to) {
            $flaws['to'] = 'It would lead back to where it begins. Choose another end.';
        }

        return $flaws;
    }
}
