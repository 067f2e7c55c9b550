<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

/** One thing that is missing, and what it is about. */
final readonly class Gap
{
    /**
     * @param  string  $run  id of the run, or of the first of an assembly; "" where it is about the whole
     * @param  string  $code  as it is called
     * @param  string  $words  what exactly, where there is more to say
     */
    public function __construct(
        public GapKind $kind,
        public string $run,
        public string $code,
        public string $words = '',
    ) {
    }

    /** @return array{string, string, string, string} */
    public function __serialize(): array
    {
        return [$this->kind->value, $this->run, $this->code, $this->words];
    }

    /** @param  array{string, string, string, string}  $data */
    public function __unserialize(array $data): void
    {
        $this->kind = GapKind::from($data[0]);
        [, $this->run, $this->code, $this->words] = $data;
    }
}
