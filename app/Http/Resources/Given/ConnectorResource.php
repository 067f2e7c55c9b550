<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Cavity;
use Sartal\Core\Given\Catalogue\Gender;
use Sartal\Core\Given\Installation\Fitting;

/**
 * What is needed to draw a fitting from either side, in mm.
 *
 * @phpstan-type Drawing array{
 *     name: string,
 *     short: string,
 *     gender: value-of<Gender>,
 *     shape: string,
 *     width: float,
 *     height: float,
 *     key: array{float, float}|null,
 *     contact: float,
 *     cavities: list<array{
 *         address: string,
 *         face: array{float, float},
 *         wiring: array{float, float},
 *         terminal: string,
 *     }>,
 *     shells: list<string>,
 *     cautions: list<string>,
 * }
 */
final class ConnectorResource
{
    /** @return ?Drawing */
    public static function of(Fitting $fitting, Catalogue $catalogue): ?array
    {
        $type = $catalogue->connectors()[$fitting->connector] ?? null;
        $layout = FittingLayout::unfolded($fitting, $catalogue);
        if ($type === null || $layout === null) {
            return null;
        }

        return [
            'name' => $type->name,
            'short' => $type->short,
            'gender' => $type->gender->value,
            'shape' => $type->outline->shape,
            'width' => $type->outline->width->inMillimetres(),
            'height' => $type->outline->height->inMillimetres(),
            'key' => $type->outline->key === null ? null : CatalogueEncoder::point($type->outline->key),
            'contact' => $type->outline->contact->inMillimetres(),
            'cavities' => array_map(
                static fn (Cavity $cavity): array => [
                    'address' => $cavity->address,
                    'face' => CatalogueEncoder::point($cavity->face),
                    'wiring' => CatalogueEncoder::point($cavity->wiring),
                    'terminal' => $cavity->terminal,
                ],
                array_values($layout->cavities),
            ),
            'shells' => array_map(strval(...), array_keys($layout->shells)),
            'cautions' => $type->cautions,
        ];
    }
}
