<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Part;

/** A part that belongs on the cable, and what to mind about it. */
final readonly class SlideOn
{
    /**
     * @param  bool  $before  must be on before the end is joined; what is split, or clears the finished connector, can
     *     wait
     * @param  int  $count  pieces of it
     * @param  string  $why  it must, or why it can wait
     */
    public function __construct(
        public Part $part,
        public bool $before,
        public string $note = '',
        public int $count = 1,
        public string $why = '',
        public SlideOver $over = SlideOver::Leg,
    ) {
    }

    /** Over a leg that ends in a connector of a certain girth. */
    public static function onto(Part $part, ConnectorType $connector, string $note = ''): self
    {
        $round = Passing::around($connector, true)->canonical();
        $bore = $part->bore()?->canonical();

        return match (true) {
            $part->split => new self($part, false, $note, 1, 'It opens along its side and can go on at any time.'),
            Passing::connector($part, $connector) => new self(
                $part,
                false,
                $note,
                1,
                sprintf('Its %s go over the finished %s, which is %s round.', $bore, $connector->name, $round),
            ),
            $bore === null => new self(
                $part,
                true,
                $note,
                1,
                sprintf('Nothing is known of its bore, so it is taken not to pass the finished %s.', $connector->name),
            ),
            default => new self(
                $part,
                true,
                $note,
                1,
                sprintf('Its %s do not pass the finished %s, which is %s round.', $bore, $connector->name, $round),
            ),
        };
    }
}
