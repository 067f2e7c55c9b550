<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Proof\Record\Event;

/** What an inspection found, as its record has it. */
final class FoundFlaws
{
    /** @return list<string> in words */
    public static function in(Event $event): array
    {
        if ($event->flaws() !== []) {
            return array_map(
                static fn (string $flaw): string => Flaw::tryFrom($flaw)?->words() ?? ucfirst($flaw),
                array_map(strval(...), array_keys($event->flaws())),
            );
        }

        return $event->note === '' ? [] : self::inNote($event->note);
    }

    /**
     * Records of the first edition have it in their note: "a flaw: what becomes of it; another: …".
     *
     * @return list<string>
     */
    private static function inNote(string $note): array
    {
        return array_map(static fn (string $part): string => trim(explode(':', $part)[0]), explode(';', $note));
    }
}
