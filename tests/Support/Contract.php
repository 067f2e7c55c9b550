<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Contract\OpenApi;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Routing\Route;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Holds every answer that a test gets to what the contract says of its address. */
final class Contract
{
    private const ID = 'https://sartal.test/contract';

    private static ?Validator $validator = null;

    /** @var array<string, true> addresses that say what they answer */
    private static array $said = [];

    /** @var array<string, int> address → answers that were held to the contract, in this process */
    public static array $held = [];

    public static function hold(RequestHandled $handled): void
    {
        $route = $handled->request->route();
        $answer = $handled->response;
        if (! ($route instanceof Route) || ! str_starts_with($route->uri(), 'api/')) {
            return;
        }
        if ($answer instanceof StreamedResponse || $answer instanceof BinaryFileResponse) {
            return;
        }
        $content = (string) $answer->getContent();
        if ($answer->headers->get('Content-Encoding') === 'gzip') {
            $content = (string) gzdecode($content);
        }
        $isJson = str_contains((string) $answer->headers->get('Content-Type'), 'json');
        $validator = self::$validator ??= self::read();
        $verb = strtolower($handled->request->getRealMethod());
        $at = $verb.' /'.$route->uri();
        if ($isJson && $answer->getStatusCode() >= 400) {
            self::check($validator, $content, '/components/schemas/Refusal', $at);
        } elseif ($isJson && $answer->isSuccessful() && isset(self::$said[$at])) {
            $pointer = sprintf(
                '/paths/%s/%s/responses/2XX/content/application~1json/schema',
                str_replace('/', '~1', '/'.$route->uri()),
                $verb,
            );
            self::check($validator, $content, $pointer, $at);
            self::$held[$at] = (self::$held[$at] ?? 0) + 1;
        }
    }

    private static function check(Validator $validator, string $content, string $pointer, string $at): void
    {
        $data = json_decode($content, false, 512, JSON_THROW_ON_ERROR);
        $error = $validator
            ->validate($data, self::ID.'#'.str_replace(['{', '}'], ['%7B', '%7D'], $pointer))
            ->error();
        if ($error !== null) {
            $wrong = (new ErrorFormatter())->format($error, false);
            Assert::fail(
                $at.
                    ' answers what the contract does not say: '.
                    json_encode($wrong, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
            );
        }
        Assert::assertNull($error);
    }

    private static function read(): Validator
    {
        $document = app(OpenApi::class)->document();
        foreach ($document['paths'] as $path => $operations) {
            foreach ($operations as $verb => $operation) {
                // Files in JSON have a schema of their own, elsewhere.
                $json = (array) ($operation['responses']['2XX']['content']['application/json'] ?? []);
                if (isset($json['schema'])) {
                    self::$said[$verb.' '.str_replace('?}', '}', $path)] = true;
                }
            }
        }
        $validator = new Validator();
        $validator->parser()->setOption('defaultDraft', '2020-12');
        $validator->resolver()?->registerRaw(json_decode(json_encode($document, JSON_THROW_ON_ERROR), false), self::ID);

        return $validator;
    }
}
