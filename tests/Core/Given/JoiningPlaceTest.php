<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\JoiningPlace;

/** The spellings are those of docs/formats.md. */
final class JoiningPlaceTest extends TestCase
{
    #[TestWith(['M-1.a1/3', 'M-1.a1', '3', ''])]
    #[TestWith(['block/b2/7', 'block', 'b2/7', ''], 'a contact of an insert')]
    #[TestWith(['splice:s/1', '', '', 's/1'], 'whatever a splice is called')]
    public function test_it_is_spelled_as_it_was_read(
        string $text,
        string $fitting,
        string $address,
        string $splice,
    ): void {
        $place = JoiningPlace::from($text);
        self::assertSame([$fitting, $address, $splice], [$place->fitting, $place->address, $place->splice]);
        self::assertSame($text, $place->text());
        self::assertEquals($place, Node::place(Node::named($text)), 'The wiring names it and says it back.');
    }

    public function test_it_goes_along_where_what_it_is_of_is_called_otherwise(): void
    {
        $renamed = static fn (string $text): ?string => JoiningPlace::from($text)
            ->renamed(['a' => 'b'], ['s' => 't'])
            ?->text();
        self::assertSame('b/1/2', $renamed('a/1/2'));
        self::assertSame('splice:t', $renamed('splice:s'));
        self::assertNull($renamed('c/1'));
        self::assertNull($renamed('splice:a'), 'A connector of that name is no splice.');
    }
}
