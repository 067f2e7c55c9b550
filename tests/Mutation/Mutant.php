<?php

declare(strict_types=1);

namespace Tests\Mutation;

/** One change of the code that a test should notice. */
final readonly class Mutant
{
    /**
     * @param  string  $file  from the root of the project
     * @param  int  $from  byte at which the text begins that is replaced
     * @param  int  $to  byte after it
     */
    public function __construct(
        public string $file,
        public int $line,
        public int $from,
        public int $to,
        public string $with,
        public string $operator,
    ) {
    }

    public function applied(string $source): string
    {
        return substr($source, 0, $this->from).$this->with.substr($source, $this->to);
    }

    /** Tells it from every other, whatever else changes in the project. */
    public function key(string $source): string
    {
        $text = preg_replace('/\s+/', ' ', substr($source, $this->from, $this->to - $this->from)) ?? '';

        return sprintf(
            '%s:%d %s: %s → %s',
            $this->file,
            $this->line,
            $this->operator,
            self::brief($text),
            self::brief($this->with),
        );
    }

    /** The same whatever is written above it: the line is told by what stands on it. */
    public function lasting(string $source): string
    {
        $begin = strrpos(substr($source, 0, $this->from), "\n");
        $line = trim(strtok(substr($source, $begin === false ? 0 : $begin + 1), "\n") ?: '');
        $key = preg_replace('/:\d+ /', ' ', $this->key($source), 1) ?? '';

        return $key.' in '.$line;
    }

    private static function brief(string $text): string
    {
        return mb_strimwidth(trim(preg_replace('/\s+/', ' ', $text) ?? ''), 0, 70, '…');
    }
}
