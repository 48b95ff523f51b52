import type { PerspectiveCamera, Vector3 } from 'three';
import { MathUtils } from 'three';

/** How far down it can look with everything upright, rad: from higher it leans into the look as little as it must. */
const UPRIGHT = 0.66;

/**
 * Looks at a place as a shifted lens does: the camera stays level and its picture slides, so that what stands upright is drawn
 * upright. From above `UPRIGHT` the camera tilts by what is beyond it.
 * @param camera stands where it stands, z up; its turn and its projection are set
 * @param target comes to lie in the middle of the picture
 */
export function lookUpright(camera: PerspectiveCamera, target: Vector3): void {
  const [dx, dy, dz] = [target.x - camera.position.x, target.y - camera.position.y, target.z - camera.position.z];
  const level = Math.hypot(dx, dy);
  const down = Math.atan2(-dz, level);
  const tilt = Math.sign(down) * Math.max(0, Math.abs(down) - UPRIGHT);
  // over the place itself there is no level direction: it is looked at as it is
  if (level > 1e-6)
    camera.lookAt(camera.position.x + dx, camera.position.y + dy, camera.position.z - Math.tan(tilt) * level);
  camera.updateProjectionMatrix();
  const { elements } = camera.projectionMatrix;
  elements[9] = level > 1e-6 ? -Math.tan(down - tilt) / Math.tan(MathUtils.degToRad(camera.fov) / 2) : 0;
  camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert();
}
