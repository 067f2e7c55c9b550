<?php

declare(strict_types=1);

namespace App\Who;

use Illuminate\Http\JsonResponse;
use RuntimeException;

/** Somebody else changed what a person is or may do meanwhile: both are shown, and nothing was changed. */
final class StalePerson extends RuntimeException
{
    /**
     * @param  array<string, mixed>  $yours
     * @param  array<string, mixed>  $theirs
     */
    public function __construct(
        string $name,
        private readonly array $yours,
        private readonly array $theirs,
        private readonly int $version,
    ) {
        parent::__construct(sprintf('Somebody else changed %s meanwhile. Compare the two.', $name));
    }

    public function render(): JsonResponse
    {
        return response()->json(
            [
                'message' => $this->getMessage(),
                'yours' => $this->yours,
                'theirs' => $this->theirs,
                'version' => $this->version,
            ],
            409,
        );
    }

    public function report(): bool
    {
        return true;
    }
}
