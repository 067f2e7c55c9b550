<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Installation\Side;

/**
 * Which edge of a wiring it is. Edges carry the text, so that a wiring stays a
 * plain graph; how the text is made, and what can be told from it, is known
 * here alone.
 */
final readonly class EdgeId
{
    private const CONDUCTOR = 'c';

    private const PANEL_SWITCH = 'p';

    private const BETWEEN = ':';

    public static function conductor(string $run, string $path): string
    {
        return self::made(self::CONDUCTOR, $run, $path);
    }

    /** Bare wires of one element lie against each other. */
    public static function touch(string $run, Side $side, string $path): string
    {
        return self::made('b', $run, $side->value, $path);
    }

    public static function joint(string $run, Side $side, string $conductor, string $to): string
    {
        return self::jointsOf($run, $side, $conductor).$to;
    }

    /** How the ids of all joints of one conductor at one end begin. */
    public static function jointsOf(string $run, ?Side $side, string $conductor): string
    {
        return self::made('j', $run, $side->value ?? '', $conductor).'>';
    }

    /** One contact of a switch that is built into a connector. */
    public static function contactOfSwitch(string $fitting, string $switch, string $state, string $contact): string
    {
        return self::made('w', $fitting, $switch, $state, $contact);
    }

    public static function panelSwitch(string $switch): string
    {
        return self::made(self::PANEL_SWITCH, $switch);
    }

    /** What ties a shell to the screen that is joined at a terminal. */
    public static function shellTie(string $terminal): string
    {
        return self::made('h', $terminal);
    }

    public static function link(int $number): string
    {
        return self::made('l', (string) $number);
    }

    /** Something that is not meant to be there: "stray", "leak". */
    public static function unwanted(string $what, string $one, string $other): string
    {
        return self::made($what, $one.'~'.$other);
    }

    /** The run that a conductor is one of; "" where the edge is no conductor. */
    public static function runOf(string $conductor): string
    {
        return self::parts($conductor, self::CONDUCTOR)[0] ?? '';
    }

    /** The path of a conductor in its cable; "" where the edge is no conductor. */
    public static function pathOf(string $conductor): string
    {
        return self::parts($conductor, self::CONDUCTOR)[1] ?? '';
    }

    /** The switch on a panel that an edge is; null where it is none. */
    public static function panelSwitchOf(string $edge): ?string
    {
        return self::parts($edge, self::PANEL_SWITCH)[0] ?? null;
    }

    /** @return array{string, string} fitting and name of the switch in it that a contact's edge belongs to */
    public static function switchOf(string $edge): array
    {
        $parts = explode(self::BETWEEN, $edge);

        return [$parts[1] ?? '', $parts[2] ?? ''];
    }

    /** What the contacts of one built-in switch have in common: they move together. */
    public static function together(string $edge): string
    {
        return implode(self::BETWEEN, array_slice(explode(self::BETWEEN, $edge), 0, 3));
    }

    private static function made(string ...$parts): string
    {
        return implode(self::BETWEEN, $parts);
    }

    /** @return list<string> what follows the kind: one thing, or a run and a path */
    private static function parts(string $edge, string $kind): array
    {
        $parts = explode(self::BETWEEN, $edge, 3);

        return array_shift($parts) === $kind ? $parts : [];
    }
}
