<?php

declare(strict_types=1);

namespace App\Contract;

use Illuminate\Http\JsonResponse;

/**
 * What a route answers. Its shape is written where it is returned, the analyser holds the code to it, and the contract
 * is read off it.
 *
 * @template-covariant T
 */
final class Answer extends JsonResponse
{
    /** @param  T  $of */
    public function __construct(mixed $of, int $status = 200)
    {
        parent::__construct($of, $status);
    }

    /**
     * One list of many rows, each encoded as it comes, and what stands beside it.
     *
     * @param  iterable<mixed>  $rows
     * @param  array<string, mixed>  $rest
     * @return self<mixed>
     */
    public static function rows(string $name, iterable $rows, array $rest = []): self
    {
        $json = sprintf('{"%s":[', $name);
        $parted = '';
        foreach ($rows as $row) {
            $json .= $parted.json_encode($row, JSON_THROW_ON_ERROR);
            $parted = ',';
        }

        $beside = substr(json_encode((object) $rest, JSON_THROW_ON_ERROR), 1);

        return self::encoded($json.']'.($rest === [] ? '' : ',').$beside);
    }

    /**
     * What was encoded before, and kept; whoever kept it says what it is.
     *
     * @return self<mixed>
     */
    public static function encoded(string $json): self
    {
        $answer = new self(null);
        $answer->setJson($json);

        return $answer;
    }
}
