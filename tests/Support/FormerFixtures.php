<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\File\Fields;
use Sartal\Core\File\FormerCodec;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Former\FormerMaking;

/** What was written down by the last version that followed recipes, before it was gone: nothing of it is made anew. */
final class FormerFixtures
{
    /** @return array{recipes: list<array<string, mixed>>, connectors: array<string, array<string, string>>} */
    public static function catalogue(): array
    {
        return self::read('catalogue');
    }

    public static function making(): FormerMaking
    {
        $problems = new Problems();
        $former = FormerCodec::decode(Fields::from(['former' => self::catalogue()], '', $problems), [], []);
        $problems->settle();

        return $former;
    }

    /**
     * Steps of a family's benches in the order of work; prints by the first, second and third edition.
     *
     * @return list<array{
     *     id: string,
     *     first: string,
     *     kind: string,
     *     task: string,
     *     run: string,
     *     side: ?string,
     *     fitting: string,
     *     prints: list<string>,
     *     detail: string,
     *     tool: string,
     *     cautions: list<string>,
     *     hot: bool,
     * }>
     */
    public static function steps(string $family): array
    {
        return self::read('steps')[$family];
    }

    private static function read(string $name): mixed
    {
        static $read = [];

        return $read[$name] ??= json_decode(
            (string) gzdecode((string) file_get_contents(dirname(__DIR__).'/Fixtures/former/'.$name.'.json.gz')),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
    }
}
