<?php

declare(strict_types=1);

namespace App\Who;

/** Somewhere that somebody is signed in, as they would know it again. What names it to others opens nothing. */
final readonly class Device
{
    public function __construct(
        private string $session,
        private string $address,
        private string $agent,
        private int $seen,
    ) {
    }

    public static function mark(string $session): string
    {
        return substr(hash('sha256', 'device|'.$session), 0, 24);
    }

    /** @return array{id: string, kind: string, address: string, seen: string, here: bool} */
    public function shape(string $here): array
    {
        return [
            'id' => self::mark($this->session),
            'kind' => $this->kind(),
            'address' => $this->address,
            'seen' => gmdate('Y-m-d\TH:i:s\Z', $this->seen),
            'here' => $this->session === $here,
        ];
    }

    private function kind(): string
    {
        return match (true) {
            preg_match('~tablet~i', $this->agent) === 1 => 'tablet',
            preg_match('~mobile~i', $this->agent) === 1 => 'phone',
            default => 'computer',
        };
    }
}
