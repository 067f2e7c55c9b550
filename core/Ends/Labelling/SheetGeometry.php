<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Measure\Length;

/** A sheet of labels: how many, how large, how far apart, and where the first one sits. */
final readonly class SheetGeometry
{
    /** mm: a line of the smallest type that is read at arm's length (common practice). */
    private const LEAST = 2;

    /**
     * @param  Length  $pitchX  from one label's left edge to the next one's
     * @param  Length  $left  of the first label, from the sheet's edge
     */
    public function __construct(
        public string $id,
        public string $name,
        public Length $pageWidth,
        public Length $pageHeight,
        public int $columns,
        public int $rows,
        public Length $width,
        public Length $height,
        public Length $pitchX,
        public Length $pitchY,
        public Length $left,
        public Length $top,
    ) {
    }

    public function perSheet(): int
    {
        return $this->columns * $this->rows;
    }

    /**
     * Where a label sits.
     *
     * @param  int  $number  from 0, over all sheets
     * @param  int  $start  fields of the first sheet that are used up already
     * @return array{int, float, float} sheet from 0; left and upper edge, mm
     */
    public function place(int $number, int $start = 0): array
    {
        $field = $number + $start;
        $on = $field % $this->perSheet();

        return [
            intdiv($field, $this->perSheet()),
            $this->left->inMillimetres() + ($on % $this->columns) * $this->pitchX->inMillimetres(),
            $this->top->inMillimetres() + intdiv($on, $this->columns) * $this->pitchY->inMillimetres(),
        ];
    }

    /** @return list<string> why it cannot be, in words */
    public function troubles(): array
    {
        $troubles = [];
        if ($this->columns < 1 || $this->rows < 1) {
            return ['A sheet has at least one row and one column.'];
        }
        foreach (
            [
                [$this->width, $this->pitchX, $this->columns, 'columns'],
                [$this->height, $this->pitchY, $this->rows, 'rows'],
            ] as [$size, $pitch, $count, $what]
        ) {
            if ($size->compare(Length::millimetres(self::LEAST)) < 0) {
                $troubles[] = sprintf('A label is at least %d mm wide and high: less holds no line.', self::LEAST);
            } elseif ($count > 1 && $pitch->compare($size) < 0) {
                $troubles[] = sprintf(
                    'The %s overlap: their pitch is %s and a label measures %s.',
                    $what,
                    $pitch->canonical(),
                    $size->canonical(),
                );
            }
        }
        $right = $this->left->plus($this->pitchX->times($this->columns - 1))->plus($this->width);
        $bottom = $this->top->plus($this->pitchY->times($this->rows - 1))->plus($this->height);
        if ($right->compare($this->pageWidth) > 0 || $bottom->compare($this->pageHeight) > 0) {
            $troubles[] = sprintf(
                'They do not fit the sheet: they reach to %s across and %s down, and it measures %s by %s.',
                $right->canonical(),
                $bottom->canonical(),
                $this->pageWidth->canonical(),
                $this->pageHeight->canonical(),
            );
        }

        return array_values(array_unique($troubles));
    }

    /** @return list<self> generic sheets, round measures */
    public static function usual(): array
    {
        $mm = static fn (float ...$of): array => array_map(Length::millimetres(...), $of);
        $a4 = $mm(210, 297);
        $letter = $mm(215.9, 279.4);

        return [
            new self('a4-wrap-s', 'A4, wraps 25 × 38, 7 by 7', $a4[0], $a4[1], 7, 7, ...$mm(25, 38, 27, 40, 10.5, 9.5)),
            new self('a4-wrap-l', 'A4, wraps 25 × 95, 7 by 3', $a4[0], $a4[1], 7, 3, ...$mm(25, 95, 27, 96, 10.5, 5)),
            new self('a4-flag', 'A4, flags 30 × 25, 6 by 10', $a4[0], $a4[1], 6, 10, ...$mm(30, 25, 32, 27, 10, 14.5)),
            new self('a4-tag', 'A4, tags 50 × 20, 3 by 12', $a4[0], $a4[1], 3, 12, ...$mm(50, 20, 54, 22, 26, 17.5)),
            new self(
                'a4-strip',
                'A4, panel strips 26 × 9, 7 by 22',
                $a4[0],
                $a4[1],
                7,
                22,
                ...$mm(26, 9, 26, 12.5, 14, 12.5),
            ),
            new self(
                'letter-wrap-s',
                'Letter, wraps 25.4 × 38.1, 7 by 6',
                $letter[0],
                $letter[1],
                7,
                6,
                ...$mm(25.4, 38.1, 27.94, 41.91, 11.43, 15.875),
            ),
        ];
    }

    public static function named(string $id): ?self
    {
        foreach (self::usual() as $geometry) {
            if ($geometry->id === $id) {
                return $geometry;
            }
        }

        return null;
    }
}
