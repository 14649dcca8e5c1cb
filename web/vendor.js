// Everything that the page takes from elsewhere: three.js draws the marsh, uPlot draws lines over time.
export {
  AmbientLight, BoxGeometry, BufferAttribute, BufferGeometry, CanvasTexture, CapsuleGeometry, CatmullRomCurve3,
  Color, ConeGeometry, CylinderGeometry, DirectionalLight, DoubleSide, Fog, Group, HemisphereLight, InstancedMesh,
  Line, LineBasicMaterial, Matrix4, Mesh, MeshBasicMaterial, MeshLambertMaterial, Object3D, OrthographicCamera,
  PerspectiveCamera, PlaneGeometry, Points, PointsMaterial, Quaternion, Raycaster, Scene, SphereGeometry, Sprite, SpriteMaterial,
  SRGBColorSpace, Vector2, Vector3, WebGLRenderer,
} from "three";
export { default as Plot } from "uplot";
