import { cameraPose, frameOf, type Vec3 } from '@poise/core';
import fc from 'fast-check';
import { PerspectiveCamera, Matrix4, Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { axesOf } from './room3d';

const angle = fc.double({ min: -1.4, max: 1.4, noNaN: true });

describe('the picture', () => {
	it('puts a point where frameOf puts it, whichever way the camera is turned', () => {
		fc.assert(
			fc.property(angle, angle, angle, angle, angle, (panRad, tiltRad, rollRad, across, up) => {
				const base = { headingRad: 0.3, tiltRad: 0.1, rollRad: Math.PI };
				const pose = cameraPose({
					mount: { kind: 'fixed', centreM: [1, 2, 3], base },
					axes: { panRad, tiltRad, rollRad }
				});
				const { forward, left, up: above } = axesOf(pose);
				const pointM = pose.positionM.map(
					(value, k) => value + 4 * forward[k]! + across * left[k]! + up * above[k]!
				) as unknown as Vec3;
				const seen = frameOf({ pose, pointM, focalM: 0.035, sensorWidthM: 0.036, sensorHeightM: 0.02025 });
				const camera = new PerspectiveCamera((2 * Math.atan(0.02025 / 0.07) * 180) / Math.PI, 16 / 9, 0.02, 900);
				camera.quaternion.setFromRotationMatrix(
					new Matrix4().makeBasis(
						new Vector3(...left.map((v) => -v)),
						new Vector3(...above),
						new Vector3(...forward.map((v) => -v))
					)
				);
				camera.position.set(...pose.positionM);
				camera.updateMatrixWorld();
				camera.updateProjectionMatrix();
				const drawn = new Vector3(...pointM).project(camera);
				expect(drawn.x / 2).toBeCloseTo(seen.xWidths!, 5);
				expect(drawn.y / 2).toBeCloseTo(seen.yHeights!, 5);
			})
		);
	});
});
